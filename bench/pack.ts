// Prints so many cut cards into memory and says how long it took and how much memory at most. Run by the benchmark.
import { DEMO } from '@/core/testing';
import { workPackPdf } from '@/formats/pdf/work-pack';
import { cardFor, PRINTED } from '@/formats/testing/plans';

async function main(): Promise<void> {
  const count = Number(process.argv[2] ?? 200);
  const kinds = DEMO.families.flatMap((f) =>
    f.sizes.flatMap((s) => f.accepts.armour.map((armour) => [s.code, armour] as const)),
  );
  const cards = Array.from({ length: count }, (_, i) => {
    const [code, armour] = kinds[(i * 7) % kinds.length] ?? ['RW2-25', 'roundWire'];
    return cardFor(code, armour, { tag: `K-${1000 + i}/A` });
  });
  const from = performance.now();
  const pdf = await workPackPdf(cards, { title: 'Benchmark', printed: PRINTED, paper: 'A4' });
  if (pdf === null) throw new Error('cancelled');
  const pages = (
    Buffer.from(pdf)
      .toString('latin1')
      .match(/\/Type \/Page\n/g) ?? []
  ).length;
  console.log(
    JSON.stringify({
      seconds: (performance.now() - from) / 1000,
      peakMb: process.resourceUsage().maxRSS / 1024,
      pages,
    }),
  );
}

void main();
