import { renderToStaticMarkup } from 'react-dom/server';
import { VERDICTS } from '@/core/gland-selection';
import { NutMark, VERDICT_WORDS } from './NutMark';

const shape = (verdict: (typeof VERDICTS)[number], provisional = false) =>
  renderToStaticMarkup(<NutMark verdict={verdict} provisional={provisional} />).replace(/class="[^"]*"/g, '');

it('tells the verdicts apart by shape and has a word for each', () => {
  expect(new Set(VERDICTS.map((v) => shape(v))).size).toBe(VERDICTS.length);
  expect(new Set(VERDICTS.map((v) => VERDICT_WORDS[v])).size).toBe(VERDICTS.length);
});

it('dashes the rim of what is provisional', () => {
  expect(shape('fits', true)).toContain('stroke-dasharray');
  expect(shape('fits')).not.toContain('stroke-dasharray');
});
