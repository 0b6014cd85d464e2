// The only door of core/templates: lessons to begin from.
export { buildTemplate } from './build.ts'
export { en as ENGLISH_TEMPLATES } from './en.ts'
export { TEMPLATES, type TemplateName, type TemplateSpec, type TemplateWords } from './spec.ts'
