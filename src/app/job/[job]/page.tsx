import { redirect } from 'next/navigation';

export default async function JobPage({ params }: { readonly params: Promise<{ job: string }> }) {
  const { job } = await params;
  redirect(`/job/${job}/board`);
}
