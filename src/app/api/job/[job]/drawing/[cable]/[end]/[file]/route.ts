import { look } from '../../../../../../../for-programs';
import { fileAnswer, refusedText } from '../../../../../../../answer';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string; cable: string; end: string; file: string }>;
}

/** One drawing of a plan as a file, such as `stripped.dxf` or `closed.svg`. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const { job, cable, end, file } = await params;
  const made = await look('drawingFile', [{ job, cable, end }, file]);
  return made.ok ? fileAnswer(made.value.text, made.value.type, made.value.name) : refusedText(made.problems);
}
