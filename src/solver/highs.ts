import highsLoader, { type Highs } from 'highs';
import type { LinearProgram, ProgramAnswer, Solve } from '@/core/kernel';

/** Limits of one run. Nodes are counted, so that the same program gives the same answer on every machine; seconds are a last resort. */
export interface SolveLimits {
  readonly nodes?: number;
  readonly seconds?: number;
  /** All programs together, from the moment the solver is loaded. */
  readonly totalSeconds?: number;
}

/** Of a whole computation's seconds, what its programs may have together: the rest arranges what they find. */
export const solverLimits = (limitSeconds: number | undefined): SolveLimits =>
  limitSeconds === undefined ? {} : { totalSeconds: limitSeconds * 0.7 };

/** Loads the solver once. In Node and in a web worker alike; the wasm file lies beside the script. */
export async function loadSolver(limits: SolveLimits = {}): Promise<Solve> {
  const highs = await highsLoader();
  const from = performance.now();
  return (program) => {
    if (limits.totalSeconds === undefined) return solve(highs, program, limits);
    const left = limits.totalSeconds - (performance.now() - from) / 1000;
    if (left <= 0) return { status: 'limit', objective: null, bound: null, values: [] };
    return solve(highs, program, { ...limits, seconds: Math.min(left, limits.seconds ?? Infinity) });
  };
}

function solve(highs: Highs, program: LinearProgram, limits: SolveLimits): ProgramAnswer {
  const { columns, rows } = program;
  const bound = (value: number) =>
    value === Infinity ? highs.infinity : value === -Infinity ? -highs.infinity : value;
  const starts = [0];
  for (const row of rows) starts.push((starts[starts.length - 1] ?? 0) + row.columns.length);
  const model = highs.createModel({
    numCols: columns.length,
    numRows: rows.length,
    sense: highs.constants.objectiveSense[program.sense],
    colCost: columns.map((c) => c.cost),
    colLower: columns.map((c) => bound(c.lower)),
    colUpper: columns.map((c) => bound(c.upper)),
    rowLower: rows.map((r) => bound(r.lower)),
    rowUpper: rows.map((r) => bound(r.upper)),
    matrix: {
      format: 'csr',
      numRows: rows.length,
      numCols: columns.length,
      starts,
      indices: rows.flatMap((r) => [...r.columns]),
      values: rows.flatMap((r) => [...r.values]),
    },
    integrality: columns.map((c) => (c.whole ? 1 : 0)),
  });
  try {
    model.options.set({ output_flag: false, random_seed: 1, mip_rel_gap: program.gap ?? 0, mip_abs_gap: 0 });
    const nodes = Math.min(program.nodes ?? Infinity, limits.nodes ?? Infinity);
    if (Number.isFinite(nodes)) model.options.set('mip_max_nodes', nodes);
    if (program.effort !== undefined) model.options.set('mip_heuristic_effort', program.effort);
    if (limits.seconds !== undefined) model.options.set('time_limit', limits.seconds);
    model.run();
    return answerOf(
      highs,
      model,
      columns.some((c) => c.whole),
    );
  } finally {
    model.dispose();
  }
}

function answerOf(highs: Highs, model: ReturnType<Highs['createModel']>, whole: boolean): ProgramAnswer {
  const { modelStatus, solutionStatus } = highs.constants;
  const status = model.getModelStatus();
  if (status === modelStatus.infeasible || status === modelStatus.unboundedOrInfeasible)
    return { status: 'infeasible', objective: null, bound: null, values: [] };
  const has = model.info.get('primal_solution_status') === solutionStatus.feasible;
  const objective = has ? model.getObjectiveValue() : null;
  const dual = whole ? Number(model.info.get('mip_dual_bound')) : objective;
  const bound = dual !== null && Number.isFinite(dual) && Math.abs(dual) < highs.infinity ? dual : null;
  if (status === modelStatus.optimal || status === modelStatus.empty)
    return {
      status: 'optimal',
      objective: objective ?? 0,
      bound: objective ?? 0,
      values: [...model.getSolution().colValue],
    };
  return has
    ? { status: 'feasible', objective, bound, values: [...model.getSolution().colValue] }
    : { status: 'limit', objective: null, bound, values: [] };
}
