import { JOB_VERSION } from './version';
import { KINDS } from '../kit/fields';
import { SOURCES } from '../quantity/quantity';
import { expectation, ID_PATTERN, JOB_SHAPE, shapeOfPart, type Shape } from './shape';

type Json = Record<string, unknown>;

/** JSON Schema (draft 2020-12) of a shape. */
export function jsonSchemaOf(shape: Shape): Json {
  switch (shape.is) {
    case 'object':
      return {
        type: 'object',
        properties: Object.fromEntries(
          Object.entries(shape.fields).map(([k, s]) => [k, jsonSchemaOf(s)]),
        ),
        ...(shape.required.length > 0 ? { required: shape.required } : {}),
      };
    case 'list':
      return {
        type: 'array',
        items: jsonSchemaOf(shape.of),
        maxItems: shape.max,
        ...(shape.min ? { minItems: shape.min } : {}),
      };
    case 'map':
      return { type: 'object', additionalProperties: jsonSchemaOf(shape.of) };
    case 'number':
      return {
        type: shape.integer ? 'integer' : 'number',
        minimum: shape.min,
        maximum: shape.max,
        ...(shape.unit ? { description: `in ${shape.unit}` } : {}),
      };
    case 'quantity':
      return quantitySchema(shape);
    case 'text':
      return {
        type: 'string',
        maxLength: shape.max,
        ...(shape.min > 0 ? { minLength: shape.min } : {}),
      };
    case 'id':
      return { type: 'string', pattern: ID_PATTERN.source };
    case 'choice':
      return { enum: [...shape.values] };
    case 'flag':
      return { type: 'boolean' };
    case 'nullable':
      return { anyOf: [jsonSchemaOf(shape.of), { type: 'null' }] };
    case 'anything':
      return {};
    case 'part':
      return {
        ...jsonSchemaOf(shapeOfPart('other')),
        allOf: KINDS.map((kind) => ({
          if: { properties: { kind: { const: kind } }, required: ['kind'] },
          then: { $ref: `#/$defs/${kind}` },
        })),
      };
  }
}

/** The published schema of a job file. */
export function jobJsonSchema(): Json {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: 'nelvix-job-1',
    title: `Nelvix job, version ${JOB_VERSION}`,
    ...jsonSchemaOf(JOB_SHAPE),
    $defs: Object.fromEntries(KINDS.map((kind) => [kind, jsonSchemaOf(shapeOfPart(kind))])),
  };
}

function quantitySchema(shape: Extract<Shape, { is: 'quantity' }>): Json {
  return {
    description: expectation(shape),
    anyOf: [
      { type: 'number', minimum: shape.min, maximum: shape.max },
      {
        type: 'object',
        properties: {
          value: { type: 'number', minimum: shape.min, maximum: shape.max },
          tol: { type: 'number', minimum: 0, maximum: 1e6 },
          from: { enum: [...SOURCES] },
        },
        required: ['value'],
      },
    ],
  };
}
