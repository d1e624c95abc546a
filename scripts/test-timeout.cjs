// A slow machine is no failure: what hangs still ends.
jest.setTimeout(300_000);
