import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { STATIONS } from '@/core/record';
import { look } from '@/server/gate';
import { TerminationPage } from '@/ui/termination/TerminationPage';
import {
  addReading,
  answerFact,
  editRow,
  lockSize,
  replan,
  setCompound,
  setTerminals,
  takeSize,
  undo,
  withdrawReading,
  work,
} from '../../../../../../actions';
import { Refused } from '../../../../../../refusal';
import { segment } from '../../../../../../segment';

interface Props {
  readonly params: Promise<{ job: string; cable: string; end: string; station: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { cable, end } = await params;
  return { title: `${segment(cable)}/${end}` };
}

export default async function StationPage({ params }: Props) {
  const { job, cable, end, station } = await params;
  const known = STATIONS.find((s) => s === station);
  if (!known) notFound();
  const view = await look('viewTermination', [{ job: segment(job), cable: segment(cable), end }]);
  if (!view.ok) return <Refused problems={view.problems} back={`/job/${job}/board`} />;
  return (
    <TerminationPage
      view={view.value}
      station={known}
      actions={{
        addReading,
        withdrawReading,
        work,
        takeSize,
        lockSize,
        answerFact,
        replan,
        setCompound,
        setTerminals,
        editRow,
        undo,
      }}
    />
  );
}
