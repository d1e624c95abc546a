import { fileAnswer, refusedJson } from '../../../../../answer';
import { look } from '../../../../../for-programs';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string; hash: string }>;
}

/** A photo of what was looked at. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const { job, hash } = await params;
  const photo = await look('viewPhoto', [job, hash], { signal: request.signal });
  return photo.ok
    ? fileAnswer(photo.value, 'image/jpeg', `${hash.slice(0, 12)}.jpg`, 'inline')
    : refusedJson(photo.problems);
}
