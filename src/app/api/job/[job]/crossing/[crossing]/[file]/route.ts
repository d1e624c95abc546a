import { look } from '../../../../../../for-programs';
import { fileAnswer, refusedText } from '../../../../../../answer';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string; crossing: string; file: string }>;
}

/** A file of the plan in force of a crossing, such as `front.dxf`, `places.csv` or `crossing.pdf`. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const { job, crossing, file } = await params;
  const made = await look('crossingFile', [{ job, crossing }, file]);
  return made.ok ? fileAnswer(made.value.body, made.value.type, made.value.name) : refusedText(made.problems);
}
