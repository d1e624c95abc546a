'use client';
import { saveFile } from '../common/save-file';
import { useMadeFile } from '../common/use-made-file';

interface Selection {
  readonly tags: readonly string[];
  readonly paper: string;
}

/** Cards and labels of a selection as files: how far they are, cancelled, and what went wrong. */
export function useWorkPack(job: string) {
  const { make, setProblems, ...file } = useMadeFile();
  const base = `/api/job/${encodeURIComponent(job)}`;
  const name = `work-pack-${job}.pdf`;
  return {
    ...file,
    print: ({ tags, paper }: Selection) =>
      make({
        address: `${base}/pack`,
        body: { tags, paper },
        of: tags.length,
        name,
        type: 'application/pdf',
        said: `${tags.length} cards are in ${name}.`,
      }),
    labels: async (selection: Selection) => {
      const body = JSON.stringify({ ...selection, origin: window.location.origin });
      setProblems(await saveFile(`${base}/labels`, body));
    },
  };
}
