import type { Problem } from '@/core/kernel';

/** Fetches a file, sending `body` when there is one, and hands it to the browser to save. Returns why not, or nothing. */
export async function saveFile(address: string, body: string | null): Promise<readonly Problem[]> {
  let answer: Response;
  try {
    answer = await fetch(address, body === null ? {} : { method: 'POST', body });
  } catch {
    return [{ path: '', message: 'The server cannot be reached. Try again in a moment.' }];
  }
  if (!answer.ok) {
    const said = (await answer.json().catch(() => null)) as { problems?: Problem[] } | null;
    return said?.problems ?? [{ path: '', message: `The server answered ${answer.status}.` }];
  }
  const name = /filename="([^"]+)"/.exec(answer.headers.get('content-disposition') ?? '')?.[1] ?? 'download';
  giveFile(await answer.blob(), name);
  return [];
}

/** Hands a file to the browser to save. */
export function giveFile(file: Blob, name: string): void {
  const url = URL.createObjectURL(file);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The browser has taken the blob by the next turn.
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}
