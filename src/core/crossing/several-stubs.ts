import { circleArea, shapeArea, type Shape } from '@/core/circle-packing';
import {
  settleSleeve,
  withBlanks,
  wrappedOf,
  type SleeveCircle,
  type SleevePlan,
  type SleeveRequest,
} from '@/core/soft-seal';
import type { StubsAnswer, StubsRequest } from '@/core/stub-choice';
import type { SleeveSetup } from './setup';

/** A round stub that is on offer; how many there are is not said where it is left out. */
export interface StubOffer {
  readonly id: string;
  /** Its bore at the smallest, mm. */
  readonly bore: number;
  readonly cost: number;
  readonly available?: number;
}

/** Which of the cables of a sleeve in which stub: each as large as it is with what its sheet puts round it. */
export function stubsFor(
  request: SleeveRequest,
  offers: readonly StubOffer[],
  apart: readonly (readonly [string, string])[],
  spareShare: number,
): StubsRequest {
  const circuits = new Map(request.cables.map((c) => [c.tag, c.circuit]));
  return {
    cables: wrappedOf(request).map(({ tag, d }) => {
      const circuit = circuits.get(tag);
      return { tag, diameter: { min: d, max: d }, ...(circuit === undefined ? {} : { circuit }) };
    }),
    stubs: offers.map(({ id, bore, cost, available }) => ({
      id,
      shape: { kind: 'circle', d: bore, w: undefined, h: undefined },
      cost,
      ...(available === undefined ? {} : { available }),
    })),
    apart: apart.map((circuits) => ({ circuits: [...circuits] })),
    clearance: request.sheet.clearanceMm,
    spare: { share: spareShare },
    limitSeconds: 20,
  };
}

/** One stub with its cables as a sleeve of its own. */
export interface StubSleeve {
  readonly offer: StubOffer;
  readonly request: SleeveRequest;
  readonly plan: SleevePlan;
  /** Of its area that cables and what is round them leave, before blanks. */
  readonly freeShare: number;
}

/** What an answer comes to, stub by stub: sleeves with blanks in their gaps, judged like any other. */
export function sleevesOf(
  request: SleeveRequest,
  offers: readonly StubOffer[],
  { stubs }: StubsAnswer,
): StubSleeve[] {
  const wrapped = new Map(wrappedOf(request).map((w) => [w.tag, w]));
  return stubs.flatMap(({ id, circles }) => {
    const offer = offers.find((o) => o.id === id);
    if (offer === undefined) return [];
    const inside = new Set(circles.map((c) => c.tag));
    const own: SleeveRequest = {
      ...request,
      opening: { kind: 'circle', d: { min: offer.bore, max: offer.bore }, w: undefined, h: undefined },
      cables: request.cables.filter((c) => inside.has(c.tag)),
    };
    const shape: Shape = { kind: 'circle', d: offer.bore };
    const order = new Map(own.cables.map((c, i) => [c.tag, i]));
    const lying = circles
      .map(({ tag, x, y, d }): SleeveCircle => ({ tag, part: wrapped.get(tag)?.with ?? '', x, y, d }))
      .sort((a, b) => (order.get(a.tag ?? '') ?? 0) - (order.get(b.tag ?? '') ?? 0));
    const filled = circles.reduce((sum, c) => sum + circleArea(c.d), 0);
    return [
      {
        offer,
        request: own,
        plan: settleSleeve(own, withBlanks(own, shape, lying)),
        freeShare: 1 - filled / shapeArea(shape),
      },
    ];
  });
}

/** Setups of the sleeves that a crossing is divided into. What is said of the wall stays; each has its own bore and its own cables. */
export const setupsOf = (setup: SleeveSetup, sleeves: readonly StubSleeve[]): SleeveSetup[] =>
  sleeves.map(({ offer, request }) => {
    const inside = new Set(request.cables.map((c) => c.tag));
    return {
      ...setup,
      shape: 'circle',
      bore: { min: offer.bore, max: offer.bore },
      width: undefined,
      height: undefined,
      members: setup.members.filter((m) => inside.has(m.tag)),
    };
  });
