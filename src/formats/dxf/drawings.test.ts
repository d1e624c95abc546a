import DxfParser from 'dxf-parser';

import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { drawPlan, PLAN_DRAWINGS } from '@/core/procedure';
import { drawingSvg } from '../svg/write';
import { cardFor } from '../testing/plans';
import { drawingDxf } from './write';

const { plan } = cardFor('RW2-32', 'roundWire');

interface Entity {
  readonly type: string;
  readonly layer: string;
  readonly shape?: boolean;
  readonly text?: string;
  readonly vertices?: readonly { readonly x: number; readonly y: number }[];
}
const parsed = (text: string): Entity[] => {
  const file = new DxfParser().parseSync(text);
  if (!file) throw new Error('not a DXF file');
  return file.entities;
};

describe('DXF', () => {
  it('is read by another program’s parser, at 1:1 in millimetres', () => {
    const drawing = drawPlan(plan, 'stripped', 800);
    if (!drawing || !plan.cut?.stub || !plan.cut.armour) throw new Error('nothing drawn');
    const entities = parsed(drawingDxf(drawing));
    expect(entities).toHaveLength(drawing.items.length);
    const lengths = entities
      .filter((e) => e.type === 'POLYLINE' && e.layer === 'CABLE')
      .map((e) => {
        const xs = (e.vertices ?? []).map((v) => v.x);
        return Math.max(...xs) - Math.min(...xs);
      });
    // The inner sheath is drawn from under the armour's edge to where it is cut.
    const bare = plan.cut.stub.mm + plan.cut.armour.mm;
    expect(lengths.some((l) => Math.abs(l - bare) < 0.01)).toBe(true);
  });

  it('keeps every dimension text, also with characters beyond ASCII', () => {
    const drawing = drawPlan(plan, 'closed', 800);
    if (!drawing) throw new Error('nothing drawn');
    const texts = parsed(drawingDxf(drawing)).flatMap((e) => (e.type === 'TEXT' ? [e.text] : []));
    const wanted = drawing.items.flatMap((i) => (i.kind === 'text' ? [i.text] : []));
    expect(texts).toEqual(wanted);
    const odd = {
      ...drawing,
      items: [
        {
          kind: 'text',
          role: 'label',
          at: { x: 1, y: 1 },
          text: '25 mm² – ½',
          size: 3,
          weight: 400,
          anchor: 'start',
        },
      ],
    } as const;
    expect(drawingDxf(odd)).toMatch(/25 mm\\U\+00B2 \\U\+2013 \\U\+00BD/);
  });

  it('closes shapes and leaves lines open', () => {
    const drawing = drawPlan(plan, 'on-the-cable', 800);
    if (!drawing) throw new Error('nothing drawn');
    const shapes = parsed(drawingDxf(drawing)).filter((e) => e.type === 'POLYLINE');
    expect(shapes.filter((e) => e.shape).length).toBe(
      drawing.items.filter((i) => i.kind === 'polygon').length,
    );
    expect(shapes.filter((e) => !e.shape).length).toBe(
      drawing.items.filter((i) => i.kind === 'polyline').length,
    );
  });
});

/** Everything of one element's name in a parsed file, however deep. */
function all(node: unknown, name: string, found: unknown[] = []): unknown[] {
  if (Array.isArray(node)) for (const n of node) all(n, name, found);
  else if (node !== null && typeof node === 'object')
    for (const [key, value] of Object.entries(node)) {
      if (key === name) found.push(...(Array.isArray(value) ? (value as unknown[]) : ([value] as unknown[])));
      all(value, name, found);
    }
  return found;
}

describe('SVG', () => {
  const parser = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '' });

  it.each(PLAN_DRAWINGS)(
    'of %s is well-formed, of true size where it is to scale, and says what it shows',
    (which) => {
      // Faces are of a plug-in half.
      const of = which === 'faces' ? cardFor('PC5-25', 'none').plan : plan;
      const drawing = drawPlan(of, which, 800);
      if (!drawing) throw new Error('nothing drawn');
      const text = drawingSvg(drawing);
      // eslint-disable-next-line @typescript-eslint/no-deprecated -- what is to replace it is another package, for one line of a test
      expect(XMLValidator.validate(text)).toBe(true);
      const { svg } = parser.parse(text) as { svg: { width: string; title: string } };
      expect(svg.title).toBe(drawing.description);
      expect(Number.parseFloat(svg.width)).toBeCloseTo(800 * (drawing.mmPerUnit ?? 0.5), 1);
      expect(all(svg, 'text')).toHaveLength(drawing.items.filter((i) => i.kind === 'text').length);
    },
  );

  it('escapes what a tag may hold', () => {
    const drawing = drawPlan(cardFor('RW2-32', 'roundWire').plan, 'stripped', 400);
    if (!drawing) throw new Error('nothing drawn');
    const odd = drawingSvg({ ...drawing, description: 'a <b> & "c"' });
    expect(odd).toContain('<title>a &lt;b&gt; &amp; &quot;c&quot;</title>');
  });
});
