import { placed } from './words';

it('says where in the frames a rule is broken, and leaves what concerns no place as it is', () => {
  const broken = {
    path: 'frames[1].openings[0].rows[2]',
    message: 'the block at 0 mm is not filled edge to edge',
  };
  expect(placed(broken).message).toBe(
    'frame 2, opening 1, row 3: the block at 0 mm is not filled edge to edge',
  );
  const away = { path: '', message: 'The server cannot be reached.' };
  expect(placed(away)).toBe(away);
});
