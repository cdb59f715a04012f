import Joi from 'joi';
import { KINDS } from '../kit/fields';
import { SOURCES } from '../quantity/quantity';
import { expectation, ID_PATTERN, shapeOfPart, type Shape } from './shape';

/** Joi schema of a shape. Nothing is converted; fields that are not known are let through. */
export function joiOf(shape: Shape): Joi.Schema {
  const key = SIMPLE.has(shape.is) ? JSON.stringify(shape) : null;
  const known = key === null ? undefined : made.get(key);
  if (known) return known;
  const schema = base(shape).meta({ expected: expectation(shape) });
  if (key !== null) made.set(key, schema);
  return schema;
}

/** Hundreds of fields are of a few dozen shapes: each is made once, schemas are never changed. */
const SIMPLE = new Set<Shape['is']>(['number', 'quantity', 'text', 'id', 'choice', 'flag']);
const made = new Map<string, Joi.Schema>();

const OBJECT = Joi.object().unknown(true);
/** What a quantity says of its value. */
const BESIDE_VALUE = {
  tol: Joi.number().unsafe().min(0).max(1e6).meta({ expected: 'a tolerance, 0 or more' }),
  from: Joi.valid(...SOURCES).meta({ expected: SOURCES.join(', ') }),
};

function base(shape: Shape): Joi.Schema {
  switch (shape.is) {
    case 'object': {
      const keys: Record<string, Joi.Schema> = {};
      for (const [key, s] of Object.entries(shape.fields))
        keys[key] = shape.required.includes(key) ? joiOf(s).required() : joiOf(s);
      return Joi.object(keys).unknown(true);
    }
    case 'list': {
      const l = Joi.array().items(joiOf(shape.of)).max(shape.max);
      return shape.min ? l.min(shape.min) : l;
    }
    case 'map':
      return Joi.object().pattern(Joi.string(), joiOf(shape.of));
    case 'number': {
      const n = Joi.number().unsafe().min(shape.min).max(shape.max);
      return shape.integer ? n.integer() : n;
    }
    case 'quantity': {
      const n = Joi.number().unsafe().min(shape.min).max(shape.max);
      const object = Joi.object({
        value: n.required().meta({ expected: expectation({ ...shape, is: 'number' }) }),
        ...BESIDE_VALUE,
      }).unknown(true);
      // Told apart by what it is, so that a wrong number inside names its own path.
      return Joi.when(OBJECT, {
        then: object.meta({ expected: expectation(shape) }),
        otherwise: n.meta({ expected: expectation(shape) }),
      });
    }
    case 'text':
      return shape.min > 0
        ? Joi.string().min(shape.min).max(shape.max)
        : Joi.string().allow('').max(shape.max);
    case 'id':
      return Joi.string().pattern(ID_PATTERN);
    case 'choice':
      return Joi.valid(...shape.values);
    case 'flag':
      return Joi.boolean();
    case 'nullable':
      return joiOf(shape.of).allow(null);
    case 'anything':
      return Joi.any();
    case 'part': {
      // A part is read by its kind; a kind this version does not know keeps its common fields.
      const known = KINDS.map((kind) => ({
        is: Joi.object({ kind: Joi.valid(kind).required() }).unknown(true),
        then: joiOf(shapeOfPart(kind)),
      }));
      return Joi.alternatives().conditional(Joi.ref('.'), {
        switch: [
          ...known.slice(0, -1),
          { ...known[known.length - 1]!, otherwise: joiOf(shapeOfPart('other')) },
        ],
      });
    }
  }
}
