import type { Metadata } from 'next';
import { look } from '@/server/gate';
import { Bench } from '@/ui/bench/Bench';
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
} from '../../../../../actions';
import { Refused } from '../../../../../refusal';
import { segment } from '../../../../../segment';

interface Props {
  readonly params: Promise<{ job: string; cable: string; end: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { cable, end } = await params;
  return { title: `Bench ${segment(cable)}/${end}` };
}

export default async function BenchPage({ params }: Props) {
  const { job, cable, end } = await params;
  const view = await look('viewTermination', [{ job: segment(job), cable: segment(cable), end }]);
  const clocks = await look('viewCompound', [segment(job)]);
  if (!view.ok) return <Refused problems={view.problems} back={`/job/${job}/board`} />;
  return (
    <Bench
      view={view.value}
      others={
        clocks.ok
          ? clocks.value.ends.filter(
              (e) => (e.state === 'curing' || e.state === 'mixed') && e.tag !== view.value.tag,
            )
          : []
      }
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
