import type { Measuring } from '@/core/instrument';
import { fail, ok, own, refuse, type Result } from '@/core/kernel';
import { MOST_PHOTOS } from '@/core/photo';
import { refusalOf } from './acceptance';
import type { EventBody } from './event-body';
import { isHoldPoint, mustTick, type Acceptance, type Step } from './step';

/** What a hand answers a step with in figures, in the units that it asks for, by its keys. */
interface Answers {
  readonly measured?: Readonly<Record<string, number>> | undefined;
  readonly again?: Readonly<Record<string, number>> | undefined;
  readonly instrument?: string | undefined;
}

type Measured = NonNullable<EventBody<'confirm'>['measured']>;

/** Everything that the step asks for, measured or not. What may not be taken, what is needed and missing, and what nobody asked for are refused. */
export function readMeasured(measuring: Measuring, step: Step, command: Answers): Result<Measured> {
  const { measured: given = {}, again = {}, instrument } = command;
  const accepts = step.accepts ?? [];
  const asked = (key: string) => accepts.some((a) => a.key === key);
  const strange = [...Object.keys(given), ...Object.keys(again)].find((key) => !asked(key));
  if (strange !== undefined) return refuse('measured', 'this step does not ask for it', strange);
  const problems = accepts.flatMap((accept) => {
    const value = given[accept.key];
    const path = `measured.${accept.key}`;
    if (value === undefined)
      return accept.needed === undefined
        ? []
        : [{ path, message: `${accept.label} has to be measured: ${accept.needed}` }];
    const message = refusalOf(accept, { value, again: again[accept.key] }, measuring, instrument);
    return message === null ? [] : [{ path, message, value: Number.isFinite(value) ? value : String(value) }];
  });
  if (problems.length > 0) return fail(problems);
  return ok(
    accepts.map(({ key, label, unit }) => ({
      key,
      label,
      ...inItsUnit(unit, given[key] ?? null),
      ...(given[key] === undefined || again[key] === undefined ? {} : { again: again[key] }),
    })),
  );
}

function inItsUnit(unit: Acceptance['unit'], value: number | null) {
  switch (unit) {
    case undefined:
      return { mm: value };
    case 'N·m':
      return { mm: null, nm: value };
    default:
      return { mm: null, read: value, unit };
  }
}

/** The checks that were ticked, in their words. Where they must be, all of them. */
export function readTicks(step: Step, ticked: readonly number[]): Result<string[]> {
  const { checks = [] } = step;
  const strange = ticked.find((i) => checks[i] === undefined);
  if (strange !== undefined) return refuse('checked', 'is not a check of this step', strange);
  const open = checks.filter((_, i) => !ticked.includes(i));
  if (mustTick(step) && open.length > 0)
    return fail(open.map((check) => ({ path: 'checked', message: `not ticked yet: ${check}` })));
  return ok(checks.filter((_, i) => ticked.includes(i)));
}

/** What was said of each thing that is asked after: all of them, by the options that there are, and none of these twice. */
export function readChosen(
  { choices = [] }: Step,
  said: Readonly<Record<string, string>>,
): Result<NonNullable<EventBody<'confirm'>['chosen']>> {
  const strange = Object.keys(said).find((key) => !choices.some((c) => c.key === key));
  if (strange !== undefined) return refuse('chosen', 'this step does not ask for it', strange);
  const problems = choices.flatMap(({ key, label, options }) => {
    const path = `chosen.${key}`;
    const option = own(said, key);
    if (option === undefined) return [{ path, message: `${label}: not said yet` }];
    if (!options.includes(option))
      return [{ path, message: `${label}: is none of ${options.join(', ')}`, value: option }];
    const twice = choices.find((c) => c.key !== key && own(said, c.key) === option);
    return twice === undefined
      ? []
      : [{ path, message: `${label} and ${twice.label} cannot both be ${option}`, value: option }];
  });
  if (problems.length > 0) return fail(problems);
  return ok(choices.map(({ key, label }) => ({ key, label, option: own(said, key) ?? '' })));
}

/** Photos are of what was looked at; each once. */
export function readPhotos(step: Step, photos: readonly string[]): Result<string[]> {
  if (photos.length > 0 && !isHoldPoint(step))
    return refuse('photos', 'only what is looked at is photographed', photos.length);
  if (photos.length > MOST_PHOTOS)
    return refuse('photos', `at most ${MOST_PHOTOS} go with one step`, photos.length);
  const twice = photos.find((p, i) => photos.indexOf(p) < i);
  return twice === undefined ? ok([...photos]) : refuse('photos', 'is there twice', twice);
}
