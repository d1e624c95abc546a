import { hearLines, type InstrumentKind, type InstrumentPort, type Shown } from '@/core/instrument';
import { ok, refuse, type Result } from '@/core/kernel';

/** As much of the browser's Bluetooth as is used here. */
export interface CharacteristicLike extends EventTarget {
  readonly value?: DataView | undefined;
  readonly startNotifications: () => Promise<unknown>;
  readonly stopNotifications: () => Promise<unknown>;
}
interface ServiceLike {
  readonly getCharacteristic: (name: string) => Promise<CharacteristicLike>;
}
interface ServerLike {
  readonly connect: () => Promise<ServerLike>;
  readonly disconnect: () => void;
  readonly getPrimaryService: (name: string) => Promise<ServiceLike>;
}
export interface DeviceLike extends EventTarget {
  readonly gatt?: ServerLike | undefined;
}
export interface RadioLike {
  readonly requestDevice: (options: { readonly filters: readonly object[] }) => Promise<DeviceLike>;
}

/** The browser's own Bluetooth; null where it has none. */
export const radioOf = (navigator: object): RadioLike | null =>
  'bluetooth' in navigator && typeof navigator.bluetooth === 'object'
    ? (navigator.bluetooth as RadioLike | null)
    : null;

/** Where an instrument tells its figures, and how they are written there. */
export interface RadioPlace {
  readonly service: string;
  readonly characteristic: string;
  readonly written: 'line' | 'hundredthsOfCelsius';
}

/** Environmental Sensing of the Bluetooth SIG: a temperature is a signed 16-bit number of hundredths of a degree, little end first. */
export const SENSED_TEMPERATURE: RadioPlace = {
  service: 'environmental_sensing',
  characteristic: 'temperature',
  written: 'hundredthsOfCelsius',
};

const UUID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;
const SHORT = /^(?:0x)?([0-9a-f]{4})$/;

/** A UUID as a sheet writes it, whole or its four digits; null where it is none. */
export function readUuid(text: string): string | null {
  const bare = text.trim().toLowerCase();
  const short = SHORT.exec(bare)?.[1];
  // What is short stands for a number of the SIG, within its base.
  if (short !== undefined) return `0000${short}-0000-1000-8000-00805f9b34fb`;
  return UUID.test(bare) ? bare : null;
}

const UNKNOWN_TEMPERATURE = -0x8000;

/** A temperature as it is sensed. One that the instrument does not know, or that is no such number, is a refusal. */
export function sensedTemperature(value: DataView): Result<Shown> {
  if (value.byteLength !== 2) return refuse('line', 'is no temperature', value.byteLength);
  const hundredths = value.getInt16(0, true);
  return hundredths === UNKNOWN_TEMPERATURE
    ? refuse('line', 'says that it knows no temperature')
    : ok({ text: (hundredths / 100).toString(), unit: '°C' });
}

/** An instrument that is reached by radio, and what to let go of when it is over. */
export interface RadioLink {
  readonly device: DeviceLike;
  readonly characteristic: CharacteristicLike;
  readonly written: RadioPlace['written'];
}

/** Asks the person for an instrument, and reaches it. Null where they choose none. */
export async function openRadio(radio: RadioLike, place: RadioPlace): Promise<RadioLink | null> {
  try {
    const device = await radio.requestDevice({ filters: [{ services: [place.service] }] });
    const server = await device.gatt?.connect();
    if (server === undefined) throw new Error('it cannot be reached');
    const service = await server.getPrimaryService(place.service);
    const characteristic = await service.getCharacteristic(place.characteristic);
    return { device, characteristic, written: place.written };
  } catch (error) {
    // Whoever closes the browser's own list has chosen none.
    if (error instanceof DOMException && error.name === 'NotFoundError') return null;
    throw error;
  }
}

/** Listens to it: each whole line, or each temperature, is heard as a figure or as a refusal. `ended` is told when it goes out of reach. */
export const radioPortOf = (
  { device, characteristic, written }: RadioLink,
  kind: InstrumentKind,
  ended: (why: string | null) => void,
): InstrumentPort => ({
  name: 'instrument by radio',
  listen: (heard) => {
    const decoder = new TextDecoder();
    const hear = hearLines(kind, heard);
    const changed = () => {
      const { value } = characteristic;
      if (value === undefined) return;
      if (written === 'hundredthsOfCelsius') {
        heard(sensedTemperature(value));
        return;
      }
      hear(decoder.decode(value, { stream: true }));
    };
    const gone = () => ended('it is out of reach');
    const failed = (error: unknown) => ended(error instanceof Error ? error.message : 'it does not answer');
    characteristic.addEventListener('characteristicvaluechanged', changed);
    device.addEventListener('gattserverdisconnected', gone);
    characteristic.startNotifications().catch(failed);
    return () => {
      characteristic.removeEventListener('characteristicvaluechanged', changed);
      device.removeEventListener('gattserverdisconnected', gone);
      characteristic
        .stopNotifications()
        // What is out of reach already need not be told to be silent.
        .catch(() => undefined)
        .finally(() => device.gatt?.disconnect());
    };
  },
});
