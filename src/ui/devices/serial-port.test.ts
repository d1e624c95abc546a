import { portOf, type SerialPortLike } from './serial-port';

function cable() {
  let say: (text: string) => void = () => undefined;
  const readable = new ReadableStream<Uint8Array>({
    start: (line) => {
      say = (text) => line.enqueue(new TextEncoder().encode(text));
    },
  });
  const closed: boolean[] = [];
  const port: SerialPortLike = {
    readable,
    open: () => Promise.resolve(),
    close: () => {
      closed.push(readable.locked);
      return Promise.resolve();
    },
  };
  return { port, say: (text: string) => say(text), closed };
}
const soon = () => new Promise((resolve) => setTimeout(resolve, 20));

it('hears whole lines with the usual unit of their kind, refuses what is no figure, and lets the port go before it closes it', async () => {
  const { port, say, closed } = cable();
  const heard: unknown[] = [];
  const over: (string | null)[] = [];
  const stop = portOf(port, 'torqueWrench', (why) => over.push(why)).listen((shown) =>
    heard.push(shown.ok ? shown.value : 'refused'),
  );
  say('+0036');
  say('.2\r\nERR\r\n12 mm\n');
  await soon();
  expect(heard).toEqual([{ text: '36.2', unit: 'N·m' }, 'refused', { text: '12', unit: 'mm' }]);
  expect(closed).toEqual([]);
  stop();
  await soon();
  expect(closed).toEqual([false]);
  expect(over).toEqual([null]);
});
