// How long functions may be, where SQL and tests of kind may stand: rules for ESLint, and what looks whether exceptions are still needed
// (exceptions.mjs).
import { ESLint } from 'eslint'
import { LONG_FUNCTIONS } from './exceptions.mjs'

export const LONGEST_FUNCTION = 80

const functionsUpTo = (max) => ({
  'max-lines-per-function': ['error', { max, skipBlankLines: true, skipComments: true }],
})

const STATEMENT =
  '/^\\s*(SELECT|INSERT INTO|UPDATE \\w+ (AS \\w+ |\\w+ )?SET|DELETE FROM|WITH (RECURSIVE )?\\w+ AS)\\b/'
const SQL = [`Literal[value=${STATEMENT}]`, `TemplateElement[value.raw=${STATEMENT}]`].map(
  (selector) => ({ selector, message: 'SQL stands in queries/ folders.' }),
)
/** Spreads that say nothing: what they hold can stand there by itself. */
const SPREADS = ['Object', 'Array'].map((kind) => ({
  selector: `${kind}Expression > SpreadElement > ${kind}Expression.argument`,
  message: 'Write it without the spread.',
}))
/** Kinds of questions by the names that are no other thing's as well. */
const KIND = '[value=/^(trueFalse|shortText|gaps|longText|match|poll|scale|checklist|terms)$/]'
const QUESTION_KINDS = [
  `BinaryExpression[operator=/^[!=]==$/] > Literal${KIND}`,
  `SwitchCase > Literal${KIND}`,
].map((selector) => ({
  selector,
  message: 'Ask core/questions: whatever differs by kind stands with the kind.',
}))
/** Kinds of parts: an `if` misses a new one silently, where a switch that leaves one out does not compile. */
const PART_KIND = '[right.value=/^(film|page|still|deck|chronicle|quiz)$/]'
const PART_KINDS = ['left', 'left.expression'].flatMap((left) =>
  ['name', 'property.name'].map((name) => ({
    selector: `BinaryExpression[operator=/^[!=]==$/][${left}.property.name="kind"][${left}.object.${name}="part"]${PART_KIND}`,
    message: 'Ask core/lesson/parts: whatever differs by kind stands with the kind.',
  })),
)
const KINDS = [...QUESTION_KINDS, ...PART_KINDS]
/** Where kinds of questions are at home: what they are, how they are answered, how they are written. */
const HOMES_OF_KINDS = ['core/questions/**', 'player/questions/**', 'web/src/bench/questions/**']
const TESTS = ['**/*.test.*', '**/*.spec.ts']

/** For the list in eslint.config.js. */
export const sizeRules = [
  {
    files: ['**/*.ts', '**/*.vue', '**/*.mjs'],
    rules: { 'no-restricted-syntax': ['error', ...SPREADS] },
  },
  { files: ['**/*.vue'], rules: { 'vue/no-restricted-syntax': ['error', ...SPREADS] } },
  {
    files: ['core/**/*.ts', 'player/**/*.ts', 'web/**/*.ts'],
    ignores: [...TESTS, ...HOMES_OF_KINDS],
    rules: { 'no-restricted-syntax': ['error', ...SPREADS, ...KINDS] },
  },
  {
    files: ['player/**/*.vue', 'web/**/*.vue'],
    ignores: HOMES_OF_KINDS,
    rules: { 'no-restricted-syntax': ['error', ...SPREADS, ...KINDS] },
  },
  {
    files: ['**/*.ts', '**/*.vue', '**/*.mjs'],
    ignores: TESTS,
    rules: functionsUpTo(LONGEST_FUNCTION),
  },
  ...Object.entries(LONG_FUNCTIONS).map(([file, max]) => ({
    files: [file],
    rules: functionsUpTo(max),
  })),
  {
    files: ['server/**/*.ts'],
    ignores: [...TESTS, 'server/**/queries/**', 'server/database/**', 'server/testing/**'],
    rules: { 'no-restricted-syntax': ['error', ...SPREADS, ...KINDS, ...SQL] },
  },
]

/** How often a rule is broken in one file. */
async function countIn(root, file, rules) {
  const eslint = new ESLint({ cwd: root, overrideConfig: { files: [file], rules } })
  const [{ messages }] = await eslint.lintFiles([file])
  return messages.filter(({ ruleId }) => ruleId in rules).length
}
/** The exceptions that allow more than there is, in words: each is to be lowered, or taken out. */
export async function looseExceptions(root, long = LONG_FUNCTIONS) {
  const loose = []
  for (const [file, max] of Object.entries(long))
    if (max <= LONGEST_FUNCTION || (await countIn(root, file, functionsUpTo(max - 1))) === 0)
      loose.push(`${file}: no function has ${max} lines any more`)
  return loose
}
