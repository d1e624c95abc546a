import { renderToStaticMarkup } from 'react-dom/server';
import fc from 'fast-check';
import { ARC_STATES, decodeArcs, encodeArcs, type Arc, type ArcState } from '@/core/procedure';
import { STATIONS } from '@/core/record';
import { Collar, collarWords } from './Collar';

const arc = (state: ArcState, share = state === 'done' ? 1 : 0.5): Arc => ({
  station: 'cut',
  state,
  share,
  result: '',
});
const markup = (arcs: readonly Arc[]) => renderToStaticMarkup(<Collar arcs={arcs} size={34} />);

it('gives every state a shape of its own, not only a colour', () => {
  const shapes = ARC_STATES.map((state) =>
    markup([arc(state)])
      .replace(/class="[^"]*"/g, '')
      .replace(/aria-label="[^"]*"/g, ''),
  );
  expect(new Set(shapes).size).toBe(ARC_STATES.length);
});

it('says in words what it shows', () => {
  expect(collarWords([arc('done'), { ...arc('todo'), share: 1 / 3 }, arc('stale')])).toBe(
    'Cut done, Cut 33 % done, Cut stale',
  );
  expect(markup([arc('blocked')])).toContain('aria-label="Cut blocked"');
});

it('marks the arc that is being looked at', () => {
  const arcs: Arc[] = STATIONS.map((station) => ({ station, state: 'todo', share: 0, result: '' }));
  const html = renderToStaticMarkup(<Collar arcs={arcs} size={200} active="makeOff" />);
  expect(html.match(/class="active"/g)).toHaveLength(1);
});

it('travels as fourteen characters and comes back with states and tenths', () => {
  const anyArcs = fc.tuple(
    ...STATIONS.map((station) =>
      fc.record({
        station: fc.constant(station),
        state: fc.constantFrom(...ARC_STATES),
        share: fc.double({ min: 0, max: 1, noNaN: true }),
        result: fc.constant(''),
      }),
    ),
  );
  fc.assert(
    fc.property(anyArcs, (arcs) => {
      const code = encodeArcs(arcs);
      expect(code).toHaveLength(14);
      decodeArcs(code).forEach((back, i) => {
        expect(back.state).toBe(arcs[i]?.state);
        // Done is done, and nothing short of it looks done.
        expect(back.share === 1).toBe((arcs[i]?.share ?? 0) >= 1);
        expect(Math.abs(back.share - (arcs[i]?.share ?? 0))).toBeLessThan(0.2);
      });
    }),
  );
});
