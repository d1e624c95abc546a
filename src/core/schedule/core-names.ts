import { array, object, string, type InferType } from 'yup';
import { POSITION_USES } from '@/core/pin-map';
import { fail, ok, type Problem, type Result } from '@/core/kernel';

const nameOf = (core: unknown): string =>
  typeof core === 'object' && core !== null && 'name' in core ? String(core.name).toUpperCase() : '';

/** Names of a cable's cores, each once, with what each is for. */
export const coreNamesSchema = array()
  .of(
    object({
      name: string()
        .max(20)
        .matches(/^[^\s=]+$/, 'is a word without spaces')
        .required(),
      use: string().oneOf(POSITION_USES).required(),
    })
      .noUnknown()
      .required(),
  )
  .max(200)
  .test('once', 'name a core twice', (list: readonly unknown[] | undefined) => {
    const names = (Array.isArray(list) ? list : []).map(nameOf);
    return new Set(names).size === names.length;
  });
export type CoreNames = NonNullable<InferType<typeof coreNamesSchema>>;

/** `BN BK GY GNYE=earth P1=pilot`: a core that does not say what for carries power. */
export const writeCoreNames = (names: CoreNames): string =>
  names.map(({ name, use }) => (use === 'power' ? name : `${name}=${use}`)).join(' ');

/** Reads what `writeCoreNames` writes; what is no use of a core is refused by its name. */
export function readCoreNames(text: string): Result<CoreNames> {
  const problems: Problem[] = [];
  const names = text
    .split(/[\s,;]+/)
    .filter((part) => part !== '')
    .map((part) => {
      const [name = '', said = 'power'] = part.split('=');
      const use = POSITION_USES.find((u) => u === said.toLowerCase());
      if (use === undefined || name === '')
        problems.push({
          path: 'coreNames',
          message: `is no core and its use, such as GNYE=earth`,
          value: part,
        });
      return { name, use: use ?? ('power' as const) };
    });
  return problems.length > 0 ? fail(problems) : ok(names);
}
