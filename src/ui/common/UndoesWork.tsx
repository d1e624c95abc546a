'use client';
import dynamic from 'next/dynamic';
import type { ComponentProps } from 'react';

const UndoesWorkDialog = dynamic(() => import('./UndoesWorkDialog').then((m) => m.UndoesWorkDialog), {
  ssr: false,
});

interface Props extends Omit<ComponentProps<typeof UndoesWorkDialog>, 'words'> {
  /** What goes; null closes the question. */
  readonly words: string | null;
}

/** Asked before work at the bench, or a signature, goes with the size that it was done for. Loaded when it first is. */
export const UndoesWork = ({ words, ...rest }: Props) =>
  words === null ? null : <UndoesWorkDialog {...rest} words={words} />;
