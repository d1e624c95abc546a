import { awayPage } from './away-page';

it('leads from a page of a job to that job as it was, where a node answers that has lost the others', () => {
  const page = awayPage('n', 'alone', '/job/quillmere-annex/t/K-1/A/cut');
  expect(page).toContain('href="/as-it-was/quillmere-annex"');
  expect(page).toContain('nothing is written');
  expect(awayPage('n', 'alone', '/people')).toContain('href="/as-it-was/"');
});

it('takes nothing out of an address but what a job can be called', () => {
  for (const path of ['/job/"><script>x', '/job/%22%3E', '/job/', '/job', '//job/x'])
    expect(awayPage('n', 'alone', path)).toContain('href="/as-it-was/"');
});

it('leads to nothing old where nobody answers', () =>
  expect(awayPage('n', 'away', '/job/quillmere/board')).not.toContain('as-it-was'));
