import type {
  Schema,
  SchemaDescription,
  SchemaFieldDescription,
  SchemaInnerTypeDescription,
  SchemaObjectDescription,
} from 'yup';

type JsonSchema = Record<string, unknown>;

/**
 * JSON Schema (2020-12) of a Yup schema, so that the published formats are what is really validated. Tests that are functions of our own cannot be
 * expressed and are left to the validator; everything else is.
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
  const base = convertType(described);
  return described.nullable ? { anyOf: [base, { type: 'null' }] } : base;
}

function convertType(field: SchemaDescription): JsonSchema {
  const enumeration = field.oneOf.filter((v) => v !== null);
  if (enumeration.length > 0) return { enum: enumeration };
  switch (field.type) {
    case 'object': {
      const { fields } = field as SchemaObjectDescription;
      const required = Object.entries(fields)
        .filter(
          ([, f]) => !(f as SchemaDescription).optional && (f as SchemaDescription).default === undefined,
        )
        .map(([name]) => name);
      return {
        type: 'object',
        properties: Object.fromEntries(Object.entries(fields).map(([name, f]) => [name, convert(f)])),
        ...(required.length > 0 ? { required } : {}),
        additionalProperties: false,
      };
    }
    case 'array': {
      const { innerType } = field as SchemaInnerTypeDescription;
      const item = Array.isArray(innerType) ? innerType[0] : innerType;
      return {
        type: 'array',
        ...(item ? { items: convert(item) } : {}),
        ...limits(field, 'minItems', 'maxItems'),
      };
    }
    case 'string':
      return { type: 'string', ...limits(field, 'minLength', 'maxLength'), ...pattern(field) };
    case 'number':
      return {
        type: field.tests.some((t) => t.name === 'integer') ? 'integer' : 'number',
        ...limits(field, 'minimum', 'maximum'),
      };
    case 'boolean':
      return { type: 'boolean' };
    default:
      // A map whose keys are data, such as spanners by part id.
      return { type: 'object' };
  }
}

function limits(field: SchemaDescription, min: string, max: string): JsonSchema {
  const param = (name: string) =>
    (field.tests.find((t) => t.name === name)?.params as Record<string, unknown> | undefined)?.[name];
  const low = param('min');
  const high = param('max');
  return { ...(low === undefined ? {} : { [min]: low }), ...(high === undefined ? {} : { [max]: high }) };
}

function pattern(field: SchemaDescription): JsonSchema {
  const regex = (field.tests.find((t) => t.name === 'matches')?.params as { regex?: RegExp } | undefined)
    ?.regex;
  return regex ? { pattern: regex.source } : {};
}
