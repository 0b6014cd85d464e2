// In which language somebody is answered.
import type { Request } from 'express'
import { LANGUAGE_TAGS, type LanguageTag } from '@fernbrake/core/words'

/** The language of the interface that a browser asks for first (RFC 9110, 12.5.4); English where it asks for none of them. */
export const languageOfRequest = (request: Request): LanguageTag =>
  (request.acceptsLanguages([...LANGUAGE_TAGS]) || 'en') as LanguageTag
