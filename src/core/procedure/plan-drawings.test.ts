import { judge } from '@/core/gland-selection';
import { textWidth, type Drawing } from '@/core/kernel';
import { DEMO, DEMO_FILE, fitting } from '@/core/testing';
import { drawPlan, PLAN_DRAWINGS, planTermination } from '.';

const plans = DEMO_FILE.families.flatMap((family) =>
  family.sizes.flatMap((size, i) => {
    if (i % 3 !== 0) return [];
    return family.accepts.armour.map((armour) => {
      const input = fitting(family, size, armour, true);
      const request = {
        tag: 'K-1/A',
        input,
        routeMm: 320,
        spareMm: 20,
        unit: 'mm' as const,
        compounds: DEMO.compounds ?? [],
      };
      return {
        name: `${size.code} ${armour}`,
        plan: planTermination(request, judge(input, family, size, DEMO)),
      };
    });
  }),
);

/** What of a drawing lies outside its sheet, by name. */
function outside(drawing: Drawing): string[] {
  const wrong: string[] = [];
  for (const item of drawing.items) {
    const w = item.kind === 'text' ? textWidth(item.text, item.size, item.weight) : 0;
    const left = item.kind !== 'text' ? 0 : item.anchor === 'middle' ? w / 2 : item.anchor === 'end' ? w : 0;
    for (const p of item.kind === 'text' ? [item.at] : item.points) {
      const [x1, x2] = [p.x - left, p.x - left + w];
      if (
        x1 < -1 ||
        x2 > drawing.width + 1 ||
        p.y < -1 ||
        p.y > drawing.height + 1 ||
        !Number.isFinite(p.x + p.y)
      )
        wrong.push(
          `${item.kind} ${item.role} ${item.kind === 'text' ? item.text : ''} at ${p.x.toFixed(0)},${p.y.toFixed(0)}`,
        );
    }
  }
  return wrong;
}

describe.each(PLAN_DRAWINGS)('%s', (which) => {
  it.each([306, 420, 800])('stays on its sheet at width %d, for every family and construction', (width) => {
    for (const { name, plan } of plans) {
      const drawing = drawPlan(plan, which, width);
      // Only a plug-in half with numbered positions has faces.
      if (which === 'faces' && plan.plugIn?.pins === undefined) {
        expect(drawing).toBeNull();
        continue;
      }
      expect([name, drawing === null ? ['nothing drawn'] : outside(drawing)]).toEqual([name, []]);
    }
  });
});

it('marks the part that a stage turns, on both sides of the axis', () => {
  for (const { plan } of plans) {
    for (const stage of plan.stages) {
      const drawing = drawPlan(plan, 'closed', 420, stage.memberId);
      const lit = (drawing?.items ?? []).filter((i) => i.kind === 'polygon' && i.role === 'mark');
      expect([plan.size, stage.memberId, lit.length >= 2]).toEqual([plan.size, stage.memberId, true]);
    }
  }
});

it('numbers what slides on in its order, and puts an arrow on what fits one way', () => {
  for (const { plan } of plans) {
    const drawing = drawPlan(plan, 'on-the-cable', 420);
    const numbers = (drawing?.items ?? []).flatMap((i) =>
      i.kind === 'text' && /^\d+$/.test(i.text) ? [i] : [],
    );
    expect(numbers.map((n) => n.text)).toEqual(plan.slideOn.map((_, i) => String(i + 1)));
    numbers.forEach((n, i) => expect(n.at.x).toBeGreaterThan(numbers[i - 1]?.at.x ?? -1));
    const arrows = (drawing?.items ?? []).filter((i) => i.kind === 'polyline' && i.role === 'mark');
    expect(arrows.length).toBe(plan.slideOn.filter((s) => s.facing.includes('towards')).length * 2);
  }
});
