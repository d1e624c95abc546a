import { missingForProcedure, type ArmourKind } from '@/core/catalogue';
import { judge } from '@/core/gland-selection';
import { DEMO, DEMO_FILE, fitting } from '@/core/testing';
import { replay } from '@/core/record';
import { generateSteps, planTermination, type PlanRequest } from '.';

const CASES = DEMO_FILE.families.flatMap((family) =>
  family.sizes.flatMap((size) =>
    family.accepts.armour.flatMap((armour) =>
      (family.accepts.jacket === 'optional' && armour !== 'none' ? [true, false] : [true]).map(
        (jacketed) => ({
          family,
          size,
          armour,
          jacketed,
        }),
      ),
    ),
  ),
);

function run({ family, size, armour, jacketed }: (typeof CASES)[number], more: Partial<PlanRequest> = {}) {
  const fits = fitting(family, size, armour, jacketed);
  const half = (inLine: 'sockets' | 'pins') => ({ ...fits, entry: { ...fits.entry, inLine } });
  // The half that keeps the record of a joint is planned with its mate.
  const input = family.inLine === undefined ? fits : half('sockets');
  const mate = () =>
    planTermination(
      { tag: 'K-2/A', input: half('pins'), routeMm: 320, spareMm: 20, unit: 'mm', ...more },
      judge(half('pins'), family, size, DEMO),
    );
  const request: PlanRequest = {
    tag: 'K-1/A',
    input,
    routeMm: 320,
    spareMm: 20,
    unit: 'mm',
    compounds: DEMO_FILE.compounds ?? [],
    ...(family.inLine === undefined ? {} : { joint: { box: 'JL-1', mate: mate() } }),
    ...more,
  };
  const plan = planTermination(request, judge(input, family, size, DEMO));
  return { plan, steps: generateSteps(plan, family) };
}

describe('every family × size × construction of the shipped catalogue', () => {
  it('counts: 19 sheets, each complete', () => {
    expect(DEMO_FILE.families).toHaveLength(19);
    expect(CASES.length).toBeGreaterThan(150);
    for (const family of DEMO_FILE.families) expect(missingForProcedure(family)).toEqual([]);
  });

  it('gives a complete plan, without a gap', () => {
    const counts = { plans: 0, sealed: 0, refused: [] as string[] };
    for (const one of CASES) {
      const { plan, steps } = run(one);
      const name = `${one.size.code} ${one.family.sheet.revision} ${one.armour} ${one.jacketed ? 'jacketed' : 'bare'}`;
      if (steps.length === 0) {
        const reasons = [...plan.planOnly, ...plan.cutRefusal, ...plan.sealRefusal].map((p) => p.message);
        expect([name, reasons.length > 0]).toEqual([name, true]);
        counts.refused.push(`${name}: ${reasons.join('; ')}`);
        continue;
      }
      counts.plans += 1;
      if (plan.seal) counts.sealed += 1;
      const ids = steps.map((s) => s.id);
      expect(new Set(ids).size).toBe(ids.length);
      // Every cut, every stage, the look where the family has one, the compound where there is a chamber: all are led through.
      for (const mark of plan.cut?.marks ?? []) expect(ids).toContain(`cut.${mark.id}`);
      for (const stage of plan.stages) expect(ids).toContain(`stage.${stage.id}`);
      expect(ids.includes('look')).toBe(one.family.makeOff.look);
      for (const id of ['cores', 'mix', 'fill', 'cure'])
        expect([name, ids.includes(id)]).toEqual([name, plan.seal !== null]);
      expect(ids.includes('dam')).toBe(plan.seal?.kind === 'resin');
      expect(ids[ids.length - 1]).toBe('sign');
      for (const s of steps) {
        expect([s.id, s.title !== '', s.detail !== '', s.reason !== '']).toEqual([s.id, true, true, true]);
        for (const b of s.branches ?? [])
          if (b.backTo !== null) expect(ids.indexOf(b.backTo)).toBeLessThan(ids.indexOf(s.id));
      }
      // Marks lie in cutting order within the cable that is used up, and the tails reach.
      const atMm = plan.cut?.marks.map((m) => m.atMm) ?? [];
      for (const mm of atMm) expect(mm).toBeGreaterThan(0);
      expect(Math.max(...atMm)).toBeLessThanOrEqual((plan.cut?.consumedMm ?? 0) + 1e-9);
      expect(replay(steps, []).next?.id).toBe('safe');
    }
    expect(counts.refused).toEqual([]);
    expect(counts.plans).toBe(CASES.length);
    expect(counts.sealed).toBe(CASES.filter((c) => c.size.chamber !== undefined).length);
  });

  it('is the same work in inches: every mark on a division, the same steps', () => {
    for (const one of CASES) {
      const [mm, inch] = [run(one), run(one, { unit: 'in' })];
      expect(inch.steps.map((s) => s.id)).toEqual(mm.steps.map((s) => s.id));
      for (const mark of inch.plan.cut?.marks ?? []) {
        const divisions = (mark.atMm / 25.4) * 32;
        expect([one.size.code, mark.id, Math.abs(divisions - Math.round(divisions)) < 1e-6]).toEqual([
          one.size.code,
          mark.id,
          true,
        ]);
      }
    }
  });

  it('refuses with a reason, never with an exception: no route, no core, no compound sheet, too many cores', () => {
    for (const one of CASES) {
      for (const more of [
        { routeMm: null },
        { compounds: [] },
        { compound: 'wax' },
      ] as Partial<PlanRequest>[]) {
        const { plan, steps } = run(one, more);
        if (steps.length > 0) continue;
        expect([...plan.cutRefusal, ...plan.sealRefusal].map((p) => p.message).join()).not.toBe('');
      }
    }
  });
});

describe('what the kinds of procedure do in another order', () => {
  const ids = (code: string, armour: ArmourKind, more: Partial<PlanRequest> = {}, jacketed = true) => {
    const one = CASES.find((c) => c.size.code === code && c.armour === armour && c.jacketed === jacketed);
    if (!one) throw new Error(code);
    return run(one, more).steps.map((s) => s.id);
  };
  const order = (list: readonly string[], ...wanted: string[]) =>
    expect([...wanted].sort((a, b) => list.indexOf(a) - list.indexOf(b))).toEqual(wanted);

  it('made off first: clamp and look on the bench, then washers, then the box', () => {
    order(
      ids('BC4-25', 'braid'),
      'stage.clamp',
      'look',
      'onThread',
      'stage.entry',
      'mix',
      'fill',
      'stage.seat',
      'cure',
    );
  });

  it('entry first: box, clamp, look, compound, seat, cure, and only then the final stages', () => {
    order(
      ids('WC4-25', 'roundWire'),
      'stage.entry',
      'stage.clamp',
      'look',
      'cores',
      'dam',
      'mix',
      'fill',
      'stage.seat',
      'cure',
      'voids',
      'stage.reclamp',
      'stage.outerSeal',
    );
  });

  it('sealing fitting: second cut with the fitting on, end stop out, then the compound', () => {
    const list = ids('SF7-125', 'interlocked');
    order(
      list,
      'cut.firstJacket',
      'cut.armour',
      'cut.jacket',
      'stage.hub',
      'stage.clamp',
      'stage.seat',
      'cut.secondInner',
      'cores',
      'mix',
      'fill',
      'cure',
      'stage.union',
    );
    expect(list).not.toContain('cut.innerSheath');
  });

  it('plug-in: bare core ends and the insert before the body closes', () => {
    order(
      ids('VB8-25', 'none'),
      'cut.outerSheath',
      'cut.cores',
      'insert',
      'stage.entry',
      'stage.outerSeal',
      'stage.couple',
    );
    order(ids('VB8-25', 'braid'), 'insert', 'spread', 'ring', 'stage.entry');
  });

  it('unarmoured: one cut, no ring, no look', () => {
    const list = ids('UN1-25', 'none');
    expect(list.filter((id) => id.startsWith('cut.'))).toEqual(['cut.outerSheath']);
    for (const id of ['spread', 'ring', 'look']) expect(list).not.toContain(id);
  });

  it('putty needs no dam and no upright fitting', () => {
    const list = ids('WC4-25', 'roundWire', { compound: 'putty CP-5' });
    expect(list).toContain('mix');
    expect(list).not.toContain('dam');
  });

  it('metal-clad without a jacket: the armour is the only cut from the cable end', () => {
    expect(ids('YB6-125', 'corrugated', {}, false).filter((id) => id.startsWith('cut.'))).toEqual([
      'cut.armour',
    ]);
  });
});
