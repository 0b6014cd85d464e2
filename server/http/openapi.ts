// The OpenAPI description, generated from the schemas of the contract (Zod writes them as JSON Schema 2020-12,
// which is what OpenAPI 3.1 speaks).
import { z } from 'zod'
import { contract, problemSchema, type RouteName, type RouteSpec } from '@fernbrake/core/contract'

type JsonObject = Record<string, unknown>

/** Builds the document; `version` is Fernbrake's own. */
export function describeApi(version: string): JsonObject {
  const paths: Record<string, JsonObject> = {}
  for (const name of Object.keys(contract) as RouteName[]) {
    const spec = contract[name] as RouteSpec
    const path = spec.path.replace(/:(\w+)/g, '{$1}')
    paths[path] = { ...paths[path], [spec.method]: operation(name, spec) }
  }
  return { openapi: '3.1.0', info: { title: 'Fernbrake', version }, paths }
}

function operation(name: string, spec: RouteSpec): JsonObject {
  const content = (schema: z.ZodType, io: 'input' | 'output', type = 'application/json') => ({
    content: { [type]: { schema: jsonSchema(schema, io) } },
  })
  const done = spec.reply
    ? { description: 'Done', ...content(spec.reply, 'output') }
    : { description: 'The bytes of the file; ranges are answered' }
  return {
    operationId: name,
    summary: spec.summary,
    description: `Who may use it: ${spec.access}.`,
    parameters: [...parameters(spec.params, 'path'), ...parameters(spec.query, 'query')],
    ...(spec.method === 'get'
      ? {}
      : { requestBody: { required: true, ...content(spec.body, 'input') } }),
    responses: {
      [spec.status]: done,
      default: {
        description: 'A problem document (RFC 9457)',
        ...content(problemSchema, 'output', 'application/problem+json'),
      },
    },
  }
}

function parameters(schema: z.ZodType, place: 'path' | 'query'): JsonObject[] {
  const { properties = {}, required = [] } = jsonSchema(schema, 'input') as {
    properties?: Record<string, JsonObject>
    required?: string[]
  }
  return Object.entries(properties).map(([name, one]) => ({
    name,
    in: place,
    required: required.includes(name),
    schema: one,
  }))
}

function jsonSchema(schema: z.ZodType, io: 'input' | 'output'): JsonObject {
  const { $schema: _, ...rest } = z.toJSONSchema(schema, {
    io,
    unrepresentable: 'any',
    reused: 'inline',
  })
  return rest
}
