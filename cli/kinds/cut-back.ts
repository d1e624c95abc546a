import { array, number, object, string } from 'yup';
import {
  becauseOfMark,
  checkArmourLength,
  recut,
  TOOL_SCHOOLS,
  type CutPlan,
  type Mark,
} from '@/core/cut-back';
import { questionsOf, questionView } from '@/core/gland-selection';
import { fail, ok } from '@/core/kernel';
import { generateSteps } from '@/core/procedure';
import { formatInchFraction } from '@/core/units';
import { kind } from './kind';
import { stageJson } from './stage-json';
import { planned, sizeFields, sizeJson, type Planned } from './termination';

const mm = (most = 20_000) => number().min(0).max(most);

/** `cut`: the same, with the size that was taken and the lengths that only a person knows. */
export const cutRequestSchema = object({
  ...sizeFields,
  /** From the inside of the wall to the farthest terminal, mm. */
  routeMm: mm().required(),
  spareMm: mm().optional(),
  unit: string()
    .oneOf(['mm', 'in'] as const)
    .optional(),
  /** Where terminals differ: the way to each, mm. */
  terminals: array()
    .of(
      object({ core: string().min(1).max(20).required(), routeMm: mm().required() })
        .noUnknown()
        .required(),
    )
    .max(400)
    .optional(),
  /** A damaged end that is cut back: how far from the end the damage lies, mm. It uses up the spare. */
  recut: object({ cutOffMm: mm().required() }).noUnknown().optional().default(undefined),
  /** Armour as it was cut, mm: will the parts meet? */
  armourAsCutMm: mm(400).optional(),
  /** Where good fitters differ in the tool, whose way leads. */
  toolSchool: string().oneOf(TOOL_SCHOOLS).optional(),
})
  .noUnknown()
  .required();

export const cutKind = kind(cutRequestSchema, (request) => {
  const left = request.recut ? recut(request.spareMm ?? 0, request.recut.cutOffMm) : null;
  if (left && !left.ok) return fail(left.problems.map((p) => ({ ...p, path: `recut.${p.path}` })));
  const unit = request.unit ?? 'mm';
  const spareMm = left?.value ?? request.spareMm ?? 0;
  const made = planned(request, {
    routeMm: request.routeMm,
    spareMm,
    unit,
    terminals: request.terminals ?? [],
  });
  if (!made.ok) return made;
  const { plan, candidate, refused, input, catalogue, choice } = made.value;
  const wrong = plan.cutRefusal.filter((p) => /^(routeMm|terminals)/.test(p.path));
  if (refused.length === 0 && wrong.length > 0) return fail(wrong);
  const cut = refused.length > 0 ? null : plan.cut;
  const asCut =
    request.armourAsCutMm === undefined
      ? null
      : checkArmourLength(candidate.size, input.cableType.armour, request.armourAsCutMm);
  return ok({
    ...sizeJson(made.value),
    refused: refused.length > 0 ? refused : plan.cutRefusal.map((p) => p.message),
    questions: questionsOf(input, catalogue, choice).map(questionView),
    spareMm,
    cut: cut && cutJson(cut, made.value, request.toolSchool === 'other' ? 1 : 0),
    ...(asCut === null
      ? {}
      : {
          armourAsCut: {
            mm: request.armourAsCutMm,
            meets: asCut.ok,
            words: asCut.ok ? '' : asCut.problems[0]?.message,
          },
        }),
    ...(cut === null
      ? {}
      : {
          slideOn: plan.slideOn,
          shroudStep: plan.slideOn.find((s) => s.trim !== null)?.trim ?? null,
          parts: plan.parts,
          stages: plan.stages.map((s) => stageJson(s, made.value)),
          steps: generateSteps(plan, candidate.family),
        }),
  });
});

/** A length with its inches as a rule shows them, next to the millimetres. */
const inches = (value: number): string => `${formatInchFraction(value, 32)} in`;

function cutJson(cut: CutPlan, { locate, because, candidate, input }: Planned, school: number) {
  const at = locate(candidate);
  const markJson = (mark: Mark) => {
    const tool = mark.tools[school] ?? mark.tools[0];
    return {
      ...mark,
      atIn: inches(mark.atMm),
      fromDatumIn: inches(mark.fromDatumMm),
      ...(tool === undefined ? {} : { tool: tool.tool, guard: tool.guard }),
      because: because(becauseOfMark(mark, input, at)),
    };
  };
  return { ...cut, consumedIn: inches(cut.consumedMm), marks: cut.marks.map(markJson) };
}
