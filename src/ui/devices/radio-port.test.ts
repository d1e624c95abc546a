import {
  openRadio,
  radioPortOf,
  readUuid,
  SENSED_TEMPERATURE,
  sensedTemperature,
  type CharacteristicLike,
  type DeviceLike,
  type RadioPlace,
} from './radio-port';

const bytes = (...of: number[]): DataView => new DataView(new Uint8Array(of).buffer);
const textBytes = (text: string): DataView => bytes(...new TextEncoder().encode(text));

class Characteristic extends EventTarget implements CharacteristicLike {
  value: DataView | undefined;
  notifying = false;
  startNotifications = () => Promise.resolve((this.notifying = true));
  stopNotifications = () => Promise.resolve((this.notifying = false));
  say(value: DataView) {
    this.value = value;
    this.dispatchEvent(new Event('characteristicvaluechanged'));
  }
}

/** An instrument within reach, and what was asked of it. */
function instrument(place: RadioPlace) {
  const characteristic = new Characteristic();
  const asked: string[] = [];
  const server = {
    connect: () => Promise.resolve(server),
    disconnect: () => void asked.push('let go'),
    getPrimaryService: (service: string) => {
      asked.push(service);
      return Promise.resolve({
        getCharacteristic: (name: string) => {
          asked.push(name);
          return Promise.resolve(characteristic);
        },
      });
    },
  };
  const device: DeviceLike = Object.assign(new EventTarget(), { gatt: server });
  const open = () => openRadio({ requestDevice: () => Promise.resolve(device) }, place);
  return { characteristic, asked, device, open };
}
const soon = () => new Promise((resolve) => setTimeout(resolve, 5));

it.each([
  ['as a sheet writes it', ' 0000181A-0000-1000-8000-00805F9B34FB ', '0000181a-0000-1000-8000-00805f9b34fb'],
  ['four digits', '0x181A', '0000181a-0000-1000-8000-00805f9b34fb'],
  ['four digits bare', 'ffe0', '0000ffe0-0000-1000-8000-00805f9b34fb'],
  ['a name', 'environmental_sensing', null],
  ['too short', '181', null],
  ['nothing', '', null],
])('reads a UUID %s', (_, text, uuid) => {
  expect(readUuid(text)).toBe(uuid);
});

it.each([
  // 2215 = 0x08A7, little end first; -125 = 0xFF83.
  ['22.15 °C', bytes(0xa7, 0x08), '22.15'],
  ['frost', bytes(0x83, 0xff), '-1.25'],
  ['what it does not know', bytes(0x00, 0x80), null],
  ['a third byte', bytes(1, 2, 3), null],
  ['nothing', bytes(), null],
])('reads %s as it is sensed', (_, value, text) => {
  const read = sensedTemperature(value);
  expect(read.ok ? read.value : null).toEqual(text === null ? null : { text, unit: '°C' });
});

it('hears a thermometer, says when it goes out of reach, and lets it go', async () => {
  const { open, asked, characteristic, device } = instrument(SENSED_TEMPERATURE);
  const link = await open();
  if (link === null) throw new Error('nothing was chosen');
  const heard: unknown[] = [];
  const over: (string | null)[] = [];
  const stop = radioPortOf(link, 'thermometer', (why) => over.push(why)).listen((shown) =>
    heard.push(shown.ok ? shown.value.text : 'refused'),
  );
  await soon();
  expect(characteristic.notifying).toBe(true);
  characteristic.say(bytes(0xa7, 0x08));
  characteristic.say(bytes(0x00, 0x80));
  expect(heard).toEqual(['22.15', 'refused']);
  device.dispatchEvent(new Event('gattserverdisconnected'));
  expect(over).toEqual(['it is out of reach']);
  stop();
  await soon();
  characteristic.say(bytes(0xa7, 0x08));
  expect(heard).toHaveLength(2);
  expect(asked).toEqual(['environmental_sensing', 'temperature', 'let go']);
});

it('puts lines together that come in pieces, and never takes half of one', async () => {
  const { open, characteristic } = instrument({ service: 's', characteristic: 'c', written: 'line' });
  const link = await open();
  if (link === null) throw new Error('nothing was chosen');
  const heard: unknown[] = [];
  radioPortOf(link, 'torqueWrench', () => undefined).listen((shown) =>
    heard.push(shown.ok ? shown.value : 'refused'),
  );
  characteristic.say(textBytes('36'));
  expect(heard).toEqual([]);
  characteristic.say(textBytes('.2\r\nlow battery\r\n'));
  expect(heard).toEqual([{ text: '36.2', unit: 'N·m' }, 'refused']);
});

it('has chosen none when the list is closed, and says why it cannot be reached', async () => {
  const closed = { requestDevice: () => Promise.reject(new DOMException('closed', 'NotFoundError')) };
  expect(await openRadio(closed, SENSED_TEMPERATURE)).toBeNull();
  const mute = { requestDevice: () => Promise.resolve(new EventTarget()) };
  await expect(openRadio(mute, SENSED_TEMPERATURE)).rejects.toThrow('it cannot be reached');
});
