import type { Family } from '@/core/catalogue';
import { DEMO } from '@/core/testing';
import { following, nextSize, placed, problemsOf } from './family-draft';

const TODAY = '2026-11-28';
const family = (code: string): Family => {
  const found = DEMO.families.find((f) => f.code === code);
  if (!found) throw new Error(code);
  return structuredClone(found);
};
/** The sheet as a hand leaves it: the next revision, with this done to it. */
function typed(change: (draft: Family) => void): { readonly draft: Family; readonly said: string[] } {
  const before = family('VB8');
  const draft = structuredClone(before);
  draft.sheet.revision = '9';
  change(draft);
  return { draft, said: problemsOf(draft, before, TODAY).map((p) => placed(p, draft).message) };
}

it('takes every shipped sheet under a new revision, and none under the one in force', () => {
  for (const before of DEMO.families) {
    const next = structuredClone(before);
    next.sheet.revision = `${before.sheet.revision}x`;
    expect(problemsOf(next, before, TODAY)).toEqual([]);
    expect(problemsOf(before, before, TODAY).map((p) => p.path)).toEqual(['sheet.revision']);
  }
});

it('names text that is no number, and an empty figure, by the size that they stand at', () => {
  const wide = typed((f) => Object.assign(f.sizes[1]?.outerSeal ?? {}, { max: 'wide' }));
  expect(wide.said).toContain('VB8-25, outer seal, largest: is no number, got "wide"');
  const gone = typed((f) => Object.assign(f.sizes[1]?.outerSeal ?? {}, { max: undefined }));
  expect(gone.said.join()).toContain('VB8-25, outer seal, largest: ');
});

it('names what a stage lacks for its kind by the title of the stage', () => {
  const { draft, said } = typed((f) => {
    const [stage] = f.stages;
    if (stage) stage.method = { kind: 'torque' };
  });
  expect(said).toEqual([
    `${draft.stages[0]?.title}, how far: lacks the torque in N·m and its tolerance in N·m`,
  ]);
});

it('lets names follow only where they began alike', () => {
  expect(following('AY3-25', 'AY3', 'AZ4')).toBe('AZ4-25');
  expect(following('AY3-25', 'BC4', 'AZ4')).toBe('AY3-25');
});

it('begins a new size as the last one, none where there is none to begin from', () => {
  const vb8 = family('VB8');
  expect(nextSize(vb8)).toEqual({
    ...vb8.sizes[vb8.sizes.length - 1],
    code: 'VB8-NEW',
    partNumber: 'VB8-NEW',
  });
  expect(nextSize({ ...vb8, sizes: [] })).toBeNull();
});
