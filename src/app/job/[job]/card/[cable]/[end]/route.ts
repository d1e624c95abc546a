import { cutCard } from '@/server/operations/cut-card';

export const dynamic = 'force-dynamic';

export async function GET(
  request: Request,
  { params }: { params: Promise<{ job: string; cable: string; end: string }> },
): Promise<Response> {
  const { job, cable, end } = await params;
  const paper = new URL(request.url).searchParams.get('paper') === 'LETTER' ? 'LETTER' : 'A4';
  const pdf = await cutCard({ job, cable, end }, new Date(), paper);
  if (!pdf.ok)
    return new Response(pdf.problems.map((p) => p.message).join('\n'), {
      status: 404,
      headers: { 'content-type': 'text/plain; charset=utf-8' },
    });
  return new Response(pdf.value, {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="cut-card-${cable.replace(/[^\w-]/g, '_')}-${end}.pdf"`,
    },
  });
}
