import { look } from '../../../../../for-programs';
import { fileAnswer, refusedJson } from '../../../../../answer';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string; file: string }>;
}

/** `types.csv`, `types.xlsx`, `boxes.csv`, `boxes.xlsx`: tables that can be read in again. */
export async function GET(_: Request, { params }: Context): Promise<Response> {
  const { job, file } = await params;
  const made = await look('setupFile', [job, file]);
  return made.ok
    ? fileAnswer(new Blob([new Uint8Array(made.value.bytes)]), made.value.type, made.value.name)
    : refusedJson(made.problems);
}
