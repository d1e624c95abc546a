import { array, number, object, string } from 'yup';
import { fail, ok, refuse, type Result } from '@/core/kernel';
import {
  BOLTS,
  COVER_SHAPES,
  coverPasses,
  pressUnitOrder,
  pressUnitVerdict,
  threadsAfter,
  wrenchSetting,
  type StagePlan,
} from '@/core/tightening';
import { kind } from './kind';
import { stageJson } from './stage-json';
import { planned, sizeFields, sizeJson, type Planned } from './termination';

/** `tighten`: stages, and the tools that a size does not settle: a wrench's head, a cover's bolts, a press unit. */
export const tightenRequestSchema = object({
  ...sizeFields,
  wrenchHead: object({
    leverMm: number().positive().max(3000).required(),
    headMm: number().min(0).max(500).required(),
    angleDeg: number().min(-180).max(180).required(),
  })
    .noUnknown()
    .optional()
    .default(undefined),
  cover: object({
    bolts: number().integer().min(BOLTS.min).max(BOLTS.max).required(),
    shape: string().oneOf(COVER_SHAPES).required(),
    torqueNm: number().positive().max(1000).required(),
  })
    .noUnknown()
    .optional()
    .default(undefined),
  /** Threads that were engaged by hand before the turns of a stage: how many are after them. */
  threads: array()
    .of(
      object({
        stage: string().min(1).max(40).required(),
        startThreads: number().min(0).max(60).required(),
        threadLengthMm: number().positive().max(100).required(),
        /** Of the thread that moves; the sheet's own where it gives one. */
        pitchMm: number().min(0.5).max(6).optional(),
      })
        .noUnknown()
        .required(),
    )
    .max(20)
    .optional(),
  pressUnit: object({
    bolts: number().integer().min(2).max(8).required(),
    travelMm: number().positive().max(200).required(),
    incrementMm: number().positive().max(50).required(),
    /** Where it stands now: travelled so far, the torque that was reached and the most there may be. */
    travelledMm: number().min(0).max(200).optional(),
    torqueNm: number().min(0).max(1000).optional(),
    maxTorqueNm: number().positive().max(1000).optional(),
  })
    .noUnknown()
    .optional()
    .default(undefined),
})
  .noUnknown()
  .required();

type Extra = Result<Record<string, unknown>>;

export const tightenKind = kind(tightenRequestSchema, (request) => {
  const made = planned(request, { routeMm: null, spareMm: 0, unit: 'mm' });
  if (!made.ok) return made;
  const { plan, refused } = made.value;
  const extras: Extra[] = [
    settings(plan.stages, request.wrenchHead),
    cover(request.cover),
    threads(made.value, request.threads ?? []),
    press(request.pressUnit),
  ];
  const problems = extras.flatMap((e) => (e.ok ? [] : e.problems));
  if (problems.length > 0) return fail(problems);
  return ok({
    ...sizeJson(made.value),
    sheet: plan.family,
    // What does not fit is not tightened on anything.
    stages: refused.length > 0 ? [] : plan.stages.map((s) => stageJson(s, made.value)),
    ...Object.assign({}, ...extras.map((e) => (e.ok ? e.value : {}))),
  });
});

function settings(
  stages: readonly StagePlan[],
  head: { leverMm: number; headMm: number; angleDeg: number } | undefined,
): Extra {
  if (!head) return ok({});
  return ok({
    settings: stages.flatMap((s) => {
      if (s.method.torqueNm === undefined) return [];
      const setting = wrenchSetting(s.method.torqueNm, head);
      return [
        {
          stage: s.id,
          targetNm: s.method.torqueNm,
          setNm: setting.ok ? setting.value : null,
          refused: setting.ok ? null : (setting.problems[0]?.message ?? null),
        },
      ];
    }),
  });
}

function cover(
  asked: { bolts: number; shape: (typeof COVER_SHAPES)[number]; torqueNm: number } | undefined,
): Extra {
  if (!asked) return ok({});
  const passes = coverPasses(asked.bolts, asked.shape, asked.torqueNm);
  return passes.ok
    ? ok({ cover: passes.value })
    : fail(passes.problems.map((p) => ({ ...p, path: `cover.${p.path === 'count' ? 'bolts' : p.path}` })));
}

interface AskedThreads {
  readonly stage: string;
  readonly startThreads: number;
  readonly threadLengthMm: number;
  readonly pitchMm?: number | undefined;
}

/** Threads engaged after the turns of a stage. A stage that is not by turns says nothing about them. */
function threads({ plan, candidate }: Planned, asked: readonly AskedThreads[]): Extra {
  const found: unknown[] = [];
  for (const [i, a] of asked.entries()) {
    const stage = plan.stages.find((s) => s.id === a.stage);
    if (!stage) return refuse(`threads[${i}].stage`, `is no stage of ${candidate.family.code}`, a.stage);
    const { turns } = stage.method;
    if (turns === undefined)
      return refuse(
        `threads[${i}].stage`,
        `is tightened by ${stage.method.kind}, which turns are never worked out from`,
        a.stage,
      );
    const pitchMm = a.pitchMm ?? candidate.family.stages.find((s) => s.id === a.stage)?.pitchMm;
    if (pitchMm === undefined)
      return refuse(`threads[${i}].pitchMm`, 'is not on the sheet of this stage: give it from the part');
    found.push({
      stage: a.stage,
      turns,
      threads: threadsAfter(turns, a.startThreads, a.threadLengthMm, pitchMm),
      most: a.threadLengthMm / pitchMm,
    });
  }
  return ok(asked.length > 0 ? { threads: found } : {});
}

interface AskedPress {
  readonly bolts: number;
  readonly travelMm: number;
  readonly incrementMm: number;
  readonly travelledMm?: number | undefined;
  readonly torqueNm?: number | undefined;
  readonly maxTorqueNm?: number | undefined;
}

function press(asked: AskedPress | undefined): Extra {
  if (!asked) return ok({});
  const order = pressUnitOrder(asked);
  if (!order.ok) return fail(order.problems.map((p) => ({ ...p, path: `pressUnit.${p.path}` })));
  const { travelledMm, torqueNm, maxTorqueNm, travelMm } = asked;
  const given = [travelledMm, torqueNm, maxTorqueNm].filter((v) => v !== undefined).length;
  if (given === 0) return ok({ pressUnit: { order: order.value } });
  if (travelledMm === undefined || torqueNm === undefined || maxTorqueNm === undefined)
    return refuse(
      'pressUnit',
      'is judged by travelledMm, torqueNm and maxTorqueNm together; one of them is missing',
    );
  if (travelledMm > travelMm + 0.05)
    return refuse(
      'pressUnit.travelledMm',
      `is more than the ${travelMm} mm there are to the stop`,
      travelledMm,
    );
  const verdict = pressUnitVerdict({ travelledMm, travelMm, torqueNm, maxTorqueNm });
  return ok({ pressUnit: { order: order.value, ...verdict } });
}
