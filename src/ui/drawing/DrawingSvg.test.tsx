import { renderToStaticMarkup } from 'react-dom/server';
import { horizontalDimension, rectangle, type Drawing } from '@/core/kernel';
import { DrawingSvg } from './DrawingSvg';

const drawing: Drawing = {
  width: 200,
  height: 100,
  description: 'A piece of cable.',
  items: [
    {
      kind: 'polygon',
      role: 'armour',
      pattern: 'wire',
      dimensionId: 'armour',
      points: rectangle(10, 20, 50, 30),
    },
    { kind: 'polygon', role: 'ground', bare: true, points: rectangle(80, 20, 5, 30) },
    ...horizontalDimension(10, 60, 80, '23', 'armour'),
  ],
};

it('draws every item where the core put it, with fill and pattern, and says it in words', () => {
  const html = renderToStaticMarkup(<DrawingSvg drawing={drawing} />);
  expect(html).toContain('viewBox="0 0 200 100"');
  expect(html).toContain('aria-label="A piece of cable."');
  expect(html.match(/points="10\.00,20\.00 60\.00,20\.00 60\.00,50\.00 10\.00,50\.00"/g)).toHaveLength(2);
  expect(html).toMatch(/fill="url\(#[^)]*wire\)"/);
  expect(html).toMatch(/>23<\/text>/);
});

it.each(['armour', 'mark.armour'])('lights the layer and its dimension together for %s', (lit) => {
  const html = renderToStaticMarkup(<DrawingSvg drawing={drawing} lit={lit} />);
  expect(html.match(/stroke="var\(--ac-amber\)"/g)).toHaveLength(4);
  expect(renderToStaticMarkup(<DrawingSvg drawing={drawing} lit="stub" />)).not.toContain(
    'stroke="var(--ac-amber)"',
  );
});

it('never outlines a bare shape', () => {
  const html = renderToStaticMarkup(<DrawingSvg drawing={drawing} />);
  expect(html).toMatch(/points="80\.00[^"]*" fill="var\(--ac-surface\)" stroke="none"/);
});
