import { look } from '../../../../../for-programs';
import { fileAnswer, refusedText } from '../../../../../answer';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string; cable: string; end: string }>;
}

/** The cut card of one end. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const { job, cable, end } = await params;
  const paper = new URL(request.url).searchParams.get('paper') === 'LETTER' ? 'LETTER' : 'A4';
  const pdf = await look('cutCard', [{ job, cable, end }, paper]);
  return pdf.ok
    ? fileAnswer(pdf.value, 'application/pdf', `cut-card-${cable}-${end}.pdf`, 'inline')
    : refusedText(pdf.problems);
}
