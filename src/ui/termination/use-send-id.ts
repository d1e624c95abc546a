import { useCallback, useRef } from 'react';

/**
 * Names what is sent, so that the server keeps it once however often it arrives: the same content has the same id until `done` is called,
 * other content has another.
 */
export function useSendId(): { readonly idOf: (content: unknown) => string; readonly done: () => void } {
  const last = useRef<{ readonly text: string; readonly id: string } | null>(null);
  const idOf = useCallback((content: unknown) => {
    const text = JSON.stringify(content);
    if (last.current?.text !== text) last.current = { text, id: crypto.randomUUID() };
    return last.current.id;
  }, []);
  const done = useCallback(() => {
    last.current = null;
  }, []);
  return { idOf, done };
}
