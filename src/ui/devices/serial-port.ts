import { hearLines, type InstrumentKind, type InstrumentPort } from '@/core/instrument';

/** As much of a serial port of the browser as is used here. */
export interface SerialPortLike {
  readonly readable: ReadableStream<Uint8Array> | null;
  readonly open: (options: { readonly baudRate: number }) => Promise<void>;
  readonly close: () => Promise<void>;
}
interface SerialLike {
  readonly requestPort: () => Promise<SerialPortLike>;
}

/** The browser's own serial ports; null where it has none. */
export const serialOf = (navigator: object): SerialLike | null =>
  'serial' in navigator ? (navigator.serial as SerialLike) : null;

/** Most instruments speak at this pace. */
const BAUD = 9600;

/**
 * An instrument on an open serial port: each line that it sends is heard as a figure, or as a refusal. A line without a unit has the usual one of
 * its kind. `ended` is told when the port goes away.
 */
export const portOf = (
  port: SerialPortLike,
  kind: InstrumentKind,
  ended: (why: string | null) => void,
): InstrumentPort => ({
  name: 'instrument on a cable',
  listen: (heard) => {
    const reader = port.readable?.getReader();
    const decoder = new TextDecoder();
    const hear = hearLines(kind, heard);
    const listen = async (): Promise<void> => {
      if (reader === undefined) throw new Error('nothing can be read from it');
      for (let piece = await reader.read(); !piece.done; piece = await reader.read()) {
        hear(decoder.decode(piece.value, { stream: true }));
      }
    };
    listen().then(
      () => ended(null),
      (error: unknown) => ended(error instanceof Error ? error.message : 'it went away'),
    );
    return () => {
      // A port closes only when nobody reads from it any more.
      const left = async (): Promise<void> => {
        await reader?.cancel();
        reader?.releaseLock();
        await port.close();
      };
      left().catch((error: unknown) => ended(error instanceof Error ? error.message : 'it does not close'));
    };
  },
});

/** Asks the person for a port, opens it. Null where they choose none. */
export async function openPort(serial: SerialLike): Promise<SerialPortLike | null> {
  try {
    const port = await serial.requestPort();
    await port.open({ baudRate: BAUD });
    return port;
  } catch (error) {
    // Whoever closes the browser's own list has chosen none.
    if (error instanceof DOMException && error.name === 'NotFoundError') return null;
    throw error;
  }
}
