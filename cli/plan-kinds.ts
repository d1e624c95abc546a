import type { Schema } from 'yup';
import { refuse, validate, type Result } from '@/core/kernel';
import type { Kind } from './kinds/kind';
import { withReferences } from './references';

export const KIND_NAMES = [
  'measure',
  'choose',
  'cut',
  'tighten',
  'compound',
  'cure',
  'choose-job',
  'frame',
  'frame-check',
  'frame-reentry',
  'bundle',
  'enclose',
  'stubs',
  'plug',
  'sleeve',
  'wrap',
  'continuity',
  'earth-path',
  'insulation',
  'pinmap',
  'live-cap',
  'mineral',
  'device',
  'coupler',
] as const;
export type KindName = (typeof KIND_NAMES)[number];

/** Loaded when they are asked for: a measurement needs neither catalogue nor solver. */
const LOAD: Readonly<Record<KindName, () => Promise<Kind>>> = {
  measure: async () => (await import('./kinds/cable-measurement')).measureKind,
  choose: async () => (await import('./kinds/gland-selection')).chooseKind,
  cut: async () => (await import('./kinds/cut-back')).cutKind,
  tighten: async () => (await import('./kinds/tightening')).tightenKind,
  compound: async () => (await import('./kinds/compound')).compoundKind,
  cure: async () => (await import('./kinds/cure')).cureKind,
  'choose-job': async () => (await import('./kinds/job-choice')).chooseJobKind,
  frame: async () => (await import('./kinds/frame-packing')).frameKind,
  'frame-check': async () => (await import('./kinds/frame-packing')).frameCheckKind,
  'frame-reentry': async () => (await import('./kinds/frame-packing')).frameReentryKind,
  bundle: async () => (await import('./kinds/circle-packing')).bundleKind,
  enclose: async () => (await import('./kinds/circle-packing')).encloseKind,
  stubs: async () => (await import('./kinds/circle-packing')).stubsKind,
  plug: async () => (await import('./kinds/soft-seal')).plugKind,
  sleeve: async () => (await import('./kinds/soft-seal')).sleeveKind,
  wrap: async () => (await import('./kinds/soft-seal')).wrapKind,
  continuity: async () => (await import('./kinds/electrical-test')).continuityKind,
  'earth-path': async () => (await import('./kinds/electrical-test')).earthPathKind,
  insulation: async () => (await import('./kinds/electrical-test')).insulationKind,
  pinmap: async () => (await import('./kinds/pin-map')).pinMapKind,
  'live-cap': async () => (await import('./kinds/pin-map')).liveCapKind,
  coupler: async () => (await import('./kinds/coupler')).couplerKind,
  device: async () => (await import('./kinds/device')).deviceKind,
  mineral: async () => (await import('./kinds/mineral-insulated')).mineralKind,
};

export const loadKind = (name: KindName): Promise<Kind> => LOAD[name]();

/** Puts in what a request names, validates it with the schema of its kind and runs the core. Paths of errors are those of the request. */
export async function planFor(name: string, request: unknown): Promise<Result<unknown>> {
  const known = KIND_NAMES.find((k) => k === name);
  if (known === undefined) return refuse('KIND', `unknown; use ${KIND_NAMES.join(', ')}`, name);
  const { schema, plan } = await loadKind(known);
  const full = withReferences(request);
  if (!full.ok) return full;
  const valid = validate(schema as Schema<object>, full.value);
  return valid.ok ? plan(valid.value as never) : valid;
}
