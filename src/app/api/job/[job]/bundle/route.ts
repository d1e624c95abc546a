import { fileAnswer, refusedJson } from '../../../../answer';
import { lookLoose } from '../../../../for-programs';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** A record with its photos, to be checked elsewhere. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const { job } = await params;
  const { searchParams } = new URL(request.url);
  const given = ['of', 'name', 'end'].map((name) => searchParams.get(name) ?? '');
  const made = await lookLoose('recordBundle', [job, ...given], { signal: request.signal });
  if (!made.ok) return refusedJson(made.problems);
  const { name, body } = made.value as { readonly name: string; readonly body: Uint8Array<ArrayBuffer> };
  return fileAnswer(body, 'application/zip', name);
}
