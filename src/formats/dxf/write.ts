import type { Drawing, DrawingItem, Point } from '@/core/kernel';

/** Layers and their colour numbers: a drawing office switches them one by one. */
const LAYERS: Readonly<Record<string, number>> = {
  CABLE: 7,
  GLAND: 3,
  DIMENSION: 1,
  MARK: 30,
  LABEL: 8,
};

const layerOf = (item: DrawingItem): string => {
  switch (item.role) {
    case 'dimension':
      return 'DIMENSION';
    case 'mark':
      return 'MARK';
    case 'label':
    case 'guide':
    case 'ground':
      return 'LABEL';
    case 'body':
    case 'metal':
    case 'seal':
    case 'compound':
    case 'wall':
      return 'GLAND';
    default:
      return 'CABLE';
  }
};

const HALIGN = { start: 0, middle: 1, end: 2 } as const;

/** A display list as DXF (R12, ASCII, millimetres), at 1:1 where the drawing is to scale. DXF's y grows upwards, ours downwards. */
export function drawingDxf(drawing: Drawing): string {
  const scale = drawing.mmPerUnit ?? 0.5;
  const at = (p: Point): Point => ({ x: p.x * scale, y: (drawing.height - p.y) * scale });
  const out: (string | number)[] = [];
  const put = (code: number, value: string | number) => out.push(code, value);
  const number = (n: number) => n.toFixed(4);
  put(0, 'SECTION');
  put(2, 'HEADER');
  put(9, '$ACADVER');
  put(1, 'AC1009');
  put(9, '$INSUNITS');
  put(70, 4);
  put(9, '$EXTMIN');
  put(10, number(0));
  put(20, number(0));
  put(9, '$EXTMAX');
  put(10, number(drawing.width * scale));
  put(20, number(drawing.height * scale));
  put(0, 'ENDSEC');
  put(0, 'SECTION');
  put(2, 'TABLES');
  put(0, 'TABLE');
  put(2, 'LAYER');
  put(70, Object.keys(LAYERS).length);
  for (const [name, colour] of Object.entries(LAYERS)) {
    put(0, 'LAYER');
    put(2, name);
    put(70, 0);
    put(62, colour);
    put(6, 'CONTINUOUS');
  }
  put(0, 'ENDTAB');
  put(0, 'ENDSEC');
  put(0, 'SECTION');
  put(2, 'ENTITIES');
  for (const item of drawing.items) {
    const layer = layerOf(item);
    if (item.kind === 'text') {
      const p = at(item.at);
      put(0, 'TEXT');
      put(8, layer);
      put(10, number(p.x));
      put(20, number(p.y));
      put(40, number(item.size * scale));
      put(1, plain(item.text));
      put(72, HALIGN[item.anchor]);
      put(11, number(p.x));
      put(21, number(p.y));
      continue;
    }
    put(0, 'POLYLINE');
    put(8, layer);
    put(66, 1);
    put(70, item.kind === 'polygon' ? 1 : 0);
    for (const point of item.points) {
      const p = at(point);
      put(0, 'VERTEX');
      put(8, layer);
      put(10, number(p.x));
      put(20, number(p.y));
    }
    put(0, 'SEQEND');
    put(8, layer);
  }
  put(0, 'ENDSEC');
  put(0, 'EOF');
  const lines: string[] = [];
  for (let i = 0; i < out.length; i += 2) lines.push(String(out[i]).padStart(3), String(out[i + 1]));
  return `${lines.join('\r\n')}\r\n`;
}

/** R12 knows ASCII only: other characters travel as their code point, which readers turn back. */
const plain = (text: string): string =>
  text.replace(
    /[^\x20-\x7e]/g,
    (c) => `\\U+${(c.codePointAt(0) ?? 63).toString(16).toUpperCase().padStart(4, '0')}`,
  );
