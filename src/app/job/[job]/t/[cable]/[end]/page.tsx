import { redirect } from 'next/navigation';

export default async function TerminationIndex({
  params,
}: {
  readonly params: Promise<{ job: string; cable: string; end: string }>;
}) {
  const { job, cable, end } = await params;
  redirect(`/job/${job}/t/${cable}/${end}/measure`);
}
