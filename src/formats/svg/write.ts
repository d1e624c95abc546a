import type { Drawing, DrawingItem, Pattern, Point, Role } from '@/core/kernel';

/** The light scheme's colours: a file has no theme. Every layer has a pattern as well, so that it survives a photocopier. */
const FILL: Readonly<Record<Role, string>> = {
  outerSheath: '#2b3034',
  armour: '#b9bfc3',
  innerSheath: '#8d7b5e',
  core0: '#6b3f23',
  core1: '#8f9498',
  core2: '#23272b',
  core3: '#cfc7b4',
  conductor: '#c77b3b',
  body: '#e2d8b8',
  metal: '#aaa38c',
  seal: '#66706a',
  compound: '#cdb48c',
  wall: '#d8d0bd',
  dimension: '#1c2024',
  mark: '#e59e13',
  guide: '#5a6268',
  ground: '#ffffff',
  label: '#5a6268',
};

const PATTERNS: Partial<Readonly<Record<Pattern, string>>> = {
  wire: '<pattern id="wire" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(-28)"><path d="M0 0V7" stroke="#5d666c" stroke-width="2"/></pattern>',
  braid:
    '<pattern id="braid" width="8" height="8" patternUnits="userSpaceOnUse"><path d="M0 8L8 0M0 0L8 8" stroke="#5d666c" stroke-width="1.2"/></pattern>',
  tape: '<pattern id="tape" width="14" height="14" patternUnits="userSpaceOnUse" patternTransform="rotate(-20)"><path d="M0 0V14" stroke="#5d666c" stroke-width="1.4"/></pattern>',
  rings:
    '<pattern id="rings" width="6" height="6" patternUnits="userSpaceOnUse"><path d="M0 0V6" stroke="#5d666c" stroke-width="2.4"/></pattern>',
  dots: '<pattern id="dots" width="6" height="6" patternUnits="userSpaceOnUse"><circle cx="2" cy="2" r="1" fill="#5d666c"/></pattern>',
};

const escape = (text: string): string =>
  text.replace(/[<>&"]/g, (c) => ({ '<': '&lt;', '>': '&gt;', '&': '&amp;', '"': '&quot;' })[c] ?? c);
const join = (points: readonly Point[]): string =>
  points.map((p) => `${p.x.toFixed(2)},${p.y.toFixed(2)}`).join(' ');

/**
 * A display list as an SVG file of its own. Where the drawing is to scale, its size is given in real millimetres times `zoom`, so that a
 * drawing at `zoom` 1 prints at 1:1.
 */
export function drawingSvg(drawing: Drawing, zoom = 1): string {
  const unit = drawing.mmPerUnit ?? 0.5;
  const size = (n: number) => `${(n * unit * zoom).toFixed(2)}mm`;
  const used = new Set(drawing.items.flatMap((i) => (i.kind === 'polygon' && i.pattern ? [i.pattern] : [])));
  const defs = [...used].map((p) => PATTERNS[p] ?? '').join('');
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${size(drawing.width)}" height="${size(drawing.height)}" viewBox="0 0 ${drawing.width.toFixed(2)} ${drawing.height.toFixed(2)}" font-family="Archivo, sans-serif">`,
    `<title>${escape(drawing.description)}</title>`,
    `<defs>${defs}</defs>`,
    `<rect width="100%" height="100%" fill="#ffffff"/>`,
    ...drawing.items.map(itemSvg),
    '</svg>',
    '',
  ].join('\n');
}

function itemSvg(item: DrawingItem): string {
  switch (item.kind) {
    case 'polygon': {
      const points = join(item.points);
      const stroke = item.bare ? 'none' : '#1c2024';
      const shape = `<polygon points="${points}" fill="${FILL[item.role]}" stroke="${stroke}" stroke-width="0.8"/>`;
      const { pattern } = item;
      return pattern !== undefined && PATTERNS[pattern]
        ? `${shape}<polygon points="${points}" fill="url(#${pattern})"/>`
        : shape;
    }
    case 'polyline':
      return `<polyline points="${join(item.points)}" fill="none" stroke="${FILL[item.role]}" stroke-width="${item.strokeWidth ?? 1}"${item.dashed ? ' stroke-dasharray="4 3"' : ''}/>`;
    case 'text':
      return `<text x="${item.at.x.toFixed(2)}" y="${item.at.y.toFixed(2)}" font-size="${item.size}" font-weight="${item.weight}" text-anchor="${item.anchor}" fill="${FILL[item.role]}">${escape(item.text)}</text>`;
  }
}
