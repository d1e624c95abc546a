import { sameReadings } from '@/core/electrical-test';
import type { ChainedEvent } from './chain';
import type { Command } from './decide';
import { readBody, readIn } from './event-body';

/** Did this event come of this very command? A second send under one id is answered as kept only then. */
export function cameOf(event: ChainedEvent, command: Command): boolean {
  switch (command.kind) {
    case 'temperature': {
      const body = readBody('temperature', event.body);
      return (
        event.kind === 'temperature' &&
        body.ok &&
        body.value.tempC === command.tempC &&
        (body.value.instrument ?? '') === (command.instrument ?? '').trim()
      );
    }
    case 'test': {
      const body = readBody('test', event.body);
      return (
        event.kind === 'test' &&
        body.ok &&
        sameReadings(body.value.read, command.test) &&
        (body.value.instrument ?? '') === (command.instrument ?? '').trim()
      );
    }
    case 'recut': {
      const body = readBody('recut', event.body);
      return event.kind === 'recut' && body.ok && body.value.cutOffMm === command.cutOffMm;
    }
    case 'correct': {
      const body = readBody('correct', event.body);
      return (
        event.kind === 'correct' &&
        event.stepId === command.stepId &&
        body.ok &&
        body.value.reason === command.reason.trim()
      );
    }
    case 'confirm': {
      if (event.stepId !== command.stepId) return false;
      // A mix that came too late was recorded as waste.
      if (event.kind === 'waste') return true;
      const body = readBody('confirm', event.body);
      if (!body.ok) return false;
      const {
        fingerprint,
        decision = null,
        mix = null,
        measured = [],
        chosen = [],
        photos = [],
      } = body.value;
      const given = command.measured ?? {};
      return (
        fingerprint === command.fingerprint &&
        decision === (command.decision ?? null) &&
        mix?.batch === command.mix?.batch &&
        mix?.tempC === command.mix?.tempC &&
        chosen.every((c) => c.option === command.chosen?.[c.key]) &&
        photos.join() === (command.photos ?? []).join() &&
        measured.every((m) => readIn(m) === (given[m.key] ?? null) && m.again === command.again?.[m.key])
      );
    }
  }
}
