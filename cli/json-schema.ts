import type {
  Schema,
  SchemaDescription,
  SchemaFieldDescription,
  SchemaInnerTypeDescription,
  SchemaObjectDescription,
} from 'yup';

type JsonSchema = Record<string, unknown>;

/**
 * JSON Schema (2020-12) of a Yup schema, so that the published formats are what is really validated. A test that is a function of our own says
 * its part in the schema's `meta.jsonSchema`, which is merged in: its key `or` lists other shapes that a request may have there. What goes
 * across a file (names that must exist, layers that nest) is left to the validator.
 */
export function jsonSchema(schema: Schema, title: string, id: string): JsonSchema {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: id,
    title,
    ...convert(schema.describe()),
  };
}

function convert(field: SchemaFieldDescription): JsonSchema {
  const described = field as SchemaDescription;
  const { or, ...more } = metaOf(described);
  const base = { ...(shapesOf(described) ?? convertType(described)), ...more };
  const shapes = [
    base,
    ...(Array.isArray(or) ? (or as JsonSchema[]) : []),
    ...(described.nullable ? [{ type: 'null' }] : []),
  ];
  return shapes.length > 1 ? { anyOf: shapes } : base;
}

/** A value that is of one of several shapes, told apart by their own kinds. */
const shapesOf = (field: SchemaDescription): JsonSchema | null => {
  const { shapes } = (field.meta ?? {}) as { shapes?: readonly Schema[] };
  return shapes === undefined ? null : { anyOf: shapes.map((s) => convert(s.describe())) };
};

const metaOf = (field: SchemaDescription): JsonSchema =>
  (field.meta as { jsonSchema?: JsonSchema } | undefined)?.jsonSchema ?? {};

const hasTest = (field: SchemaDescription, name: string): boolean => field.tests.some((t) => t.name === name);

function convertType(field: SchemaDescription): JsonSchema {
  const enumeration = field.oneOf.filter((v) => v !== null);
  if (enumeration.length > 0) return { enum: enumeration };
  switch (field.type) {
    case 'object': {
      const { fields } = field as SchemaObjectDescription;
      const required = Object.entries(fields)
        .filter(([, f]) => !(f as SchemaDescription).optional)
        .map(([name]) => name);
      return {
        type: 'object',
        properties: Object.fromEntries(Object.entries(fields).map(([name, f]) => [name, convert(f)])),
        ...(required.length > 0 ? { required } : {}),
        ...(hasTest(field, 'noUnknown') ? { additionalProperties: false } : {}),
      };
    }
    case 'array': {
      const { innerType } = field as SchemaInnerTypeDescription;
      const item = Array.isArray(innerType) ? innerType[0] : innerType;
      return {
        type: 'array',
        ...(item ? { items: convert(item) } : {}),
        ...sizes(field, 'minItems', 'maxItems'),
      };
    }
    case 'string':
      return {
        type: 'string',
        // A required text is not an empty one.
        ...(hasTest(field, 'required') ? { minLength: 1 } : {}),
        ...sizes(field, 'minLength', 'maxLength'),
        ...pattern(field),
      };
    case 'number':
      return { type: hasTest(field, 'integer') ? 'integer' : 'number', ...bounds(field) };
    case 'boolean':
      return { type: 'boolean' };
    default:
      return {};
  }
}

const params = (field: SchemaDescription, name: string): Record<string, unknown>[] =>
  field.tests.filter((t) => t.name === name).map((t) => (t.params ?? {}) as Record<string, unknown>);

/** Every bound of a number; Yup calls `moreThan` a minimum and `lessThan` a maximum too. */
function bounds(field: SchemaDescription): JsonSchema {
  const found: JsonSchema = {};
  for (const { min, more } of params(field, 'min')) {
    if (min !== undefined) found.minimum = min;
    if (more !== undefined) found.exclusiveMinimum = more;
  }
  for (const { max, less } of params(field, 'max')) {
    if (max !== undefined) found.maximum = max;
    if (less !== undefined) found.exclusiveMaximum = less;
  }
  return found;
}

function sizes(field: SchemaDescription, least: string, most: string): JsonSchema {
  const found: JsonSchema = {};
  for (const { min } of params(field, 'min')) found[least] = min;
  for (const { max } of params(field, 'max')) found[most] = max;
  for (const { length } of params(field, 'length')) {
    found[least] = length;
    found[most] = length;
  }
  return found;
}

function pattern(field: SchemaDescription): JsonSchema {
  const [first] = params(field, 'matches');
  const regex = first?.regex;
  return regex instanceof RegExp ? { pattern: regex.source } : {};
}
