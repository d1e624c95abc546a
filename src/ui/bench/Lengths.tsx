'use client';
import Stack from '@mui/material/Stack';
import { shownMm, type Measuring, type Shown } from '@/core/instrument';
import { asksAgain, isReadOffPlate, refusalOf, unitOf, type Acceptance } from '@/core/record';
import { trimNumber } from '@/core/units';
import { readNumber } from '../common/read-number';
import { Tray, type HandKind } from '../devices/Tray';
import { PadField } from '../kit-of-parts/PadField';

/** What was typed for each figure that a step asks for, by its key, and for those that are read a second time. */
export interface TypedLengths {
  readonly first: Readonly<Record<string, string>>;
  readonly again: Readonly<Record<string, string>>;
}
export const NOTHING_TYPED: TypedLengths = { first: {}, again: {} };

/** The typed figures as numbers; what was left empty is left out, what cannot be read is refused by the server with its field. */
const readAll = (typed: Readonly<Record<string, string>>): Record<string, number> =>
  Object.fromEntries(
    Object.entries(typed)
      .filter(([, text]) => text.trim() !== '')
      .map(([key, text]) => [key, readNumber(text)]),
  );

/** Does what was typed first ask for a second reading? */
const twice = (
  accept: Acceptance,
  { first }: TypedLengths,
  measuring: Measuring,
  instrument: string,
): boolean =>
  (first[accept.key] ?? '').trim() !== '' &&
  asksAgain(accept, readNumber(first[accept.key] ?? ''), measuring, instrument);

/** Why what was typed is not taken, said at once; null while nothing stands there, or where it asks for a second reading only. */
function out(
  accept: Acceptance,
  text: string | undefined,
  measuring: Measuring,
  instrument: string,
): string | null {
  if (text === undefined || text.trim() === '') return null;
  const value = readNumber(text);
  // Read twice as the same, it is refused only where it is out.
  return refusalOf(accept, { value, again: value }, measuring, instrument);
}

function outAgain(
  accept: Acceptance,
  { first, again }: TypedLengths,
  measuring: Measuring,
  instrument: string,
): string | null {
  const [value = '', second = ''] = [first[accept.key], again[accept.key]];
  return second.trim() === ''
    ? null
    : refusalOf(accept, { value: readNumber(value), again: readNumber(second) }, measuring, instrument);
}

/** What goes to the server: second readings only where they are asked for. */
export function readLengths(
  accepts: readonly Acceptance[],
  typed: TypedLengths,
  measuring: Measuring,
  instrument: string,
): { readonly measured: Record<string, number>; readonly again?: Record<string, number> } {
  const asked = new Set(accepts.filter((a) => twice(a, typed, measuring, instrument)).map((a) => a.key));
  const again = Object.fromEntries(Object.entries(readAll(typed.again)).filter(([key]) => asked.has(key)));
  return { measured: readAll(typed.first), ...(Object.keys(again).length === 0 ? {} : { again }) };
}

export type Open = 'first' | 'again';

/** What is still to be measured, or to be read a second time; null when nothing is. */
export function openOf(
  accepts: readonly Acceptance[],
  typed: TypedLengths,
  measuring: Measuring,
  instrument: string,
): Open | null {
  const empty = (which: Open) => (a: Acceptance) => (typed[which][a.key] ?? '').trim() === '';
  if (accepts.some((a) => a.needed !== undefined && empty('first')(a))) return 'first';
  return accepts.some((a) => twice(a, typed, measuring, instrument) && empty('again')(a)) ? 'again' : null;
}

interface Props {
  readonly accepts: readonly Acceptance[];
  readonly typed: TypedLengths;
  readonly measuring: Measuring;
  readonly instrument: string;
  readonly onType: (typed: TypedLengths) => void;
  readonly onInstrument: (text: string) => void;
}

/** Between what a figure may lie, in words. */
function spanOf(accept: Acceptance): string {
  const { min, max } = accept;
  return `${trimNumber(min, 2)}–${trimNumber(max, 2)} ${unitOf(accept)}`;
}

/** What is measured with, for instance. */
function placeholderOf(accepts: readonly Acceptance[]): string {
  if (accepts.some((a) => unitOf(a) === 'N·m')) return 'torque wrench 3';
  if (accepts.some((a) => unitOf(a) === '°')) return 'angle gauge 1';
  return accepts.some((a) => unitOf(a) === 'MΩ') ? 'insulation tester 3' : 'caliper 12, feeler set 3';
}

/** Fields for what a step asks to be measured, each with its span, and with what it was measured; a second one where the first is too near to a limit. */
export function Lengths({ accepts, typed, measuring, instrument, onType, onInstrument }: Props) {
  const put = (which: keyof TypedLengths, key: string, text: string) =>
    onType({ ...typed, [which]: { ...typed[which], [key]: text } });
  /** A figure goes where the next one belongs: the first that is empty, then what is read again. */
  const take = (shown: Shown, name: string | null) => {
    const own = shown.unit === 'N·m' || shown.unit === '°';
    const fits = accepts.filter((a) => unitOf(a) === (own ? shown.unit : 'mm'));
    const empty = (which: keyof TypedLengths) => (a: Acceptance) =>
      (typed[which][a.key] ?? '').trim() === '' &&
      (which === 'first' || twice(a, typed, measuring, instrument));
    const value = own ? Number(shown.text) : shownMm(shown);
    const again = fits.find(empty('again'));
    const first = fits.find(empty('first'));
    const to = again ?? first ?? fits[0];
    if (to === undefined || value === null) return;
    if (name !== null) onInstrument(name);
    put(again !== undefined ? 'again' : 'first', to.key, trimNumber(value, 2));
  };
  const kinds: HandKind[] = [
    ...(accepts.some((a) => unitOf(a) === 'mm') ? (['caliper'] as const) : []),
    ...(accepts.some((a) => unitOf(a) === 'N·m') ? (['torqueWrench'] as const) : []),
    ...(accepts.some((a) => unitOf(a) === '°') ? (['angleGauge'] as const) : []),
  ];
  return (
    <Stack sx={{ gap: 1.25 }}>
      {accepts.map((accept) => {
        const { key, label, needed, planned } = accept;
        const unit = unitOf(accept);
        const span = spanOf(accept);
        return (
          <Stack key={key} sx={{ gap: 1.25 }}>
            <PadField
              name={`measured-${key}`}
              label={`${label}, as ${isReadOffPlate([accept]) ? 'read' : 'measured'}${needed === undefined ? '' : ' (needed)'}`}
              unit={unit}
              error={out(accept, typed.first[key], measuring, instrument) !== null}
              help={
                out(accept, typed.first[key], measuring, instrument) ??
                (unit === 'MΩ' || unit === '°'
                  ? (needed ?? '')
                  : `${span} asked for${planned === undefined ? '' : `, ${trimNumber(planned, 1)} planned`}${needed === undefined ? '' : `: ${needed}`}`)
              }
              value={typed.first[key] ?? ''}
              onChange={(text) => put('first', key, text)}
            />
            {twice(accept, typed, measuring, instrument) ? (
              <PadField
                name={`again-${key}`}
                label={`${label}, read a second time`}
                unit={unit}
                error={outAgain(accept, typed, measuring, instrument) !== null}
                help={
                  outAgain(accept, typed, measuring, instrument) ??
                  `So near to a limit of ${span} it cannot be told: take it off and read anew`
                }
                value={typed.again[key] ?? ''}
                onChange={(text) => put('again', key, text)}
              />
            ) : null}
          </Stack>
        );
      })}
      {isReadOffPlate(accepts) ? null : (
        <PadField
          name="instrument"
          label="Measured with"
          kind="code"
          maxLength={60}
          placeholder={placeholderOf(accepts)}
          value={instrument}
          onChange={onInstrument}
        />
      )}
      {kinds.length === 0 ? null : <Tray kinds={kinds} onShown={take} />}
    </Stack>
  );
}
