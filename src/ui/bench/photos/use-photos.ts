'use client';
import { useCallback, useEffect, useState } from 'react';
import { dropPhotos, photosAt, putPhoto, type StoredPhoto } from '../../kept/kept-db';

export interface Photos {
  readonly all: readonly StoredPhoto[];
  /** This browser has no room for one. */
  readonly cannot: boolean;
  readonly add: (photo: Pick<StoredPhoto, 'hash' | 'bytes'>) => void;
  readonly remove: (hash: string) => void;
}

/** Photos that were taken at a step (`at` names subject and step) and are not in the record yet: on this device's disk at once. */
export function usePhotos(job: string, at: string): Photos {
  const [all, setAll] = useState<readonly StoredPhoto[]>([]);
  const [cannot, setCannot] = useState(false);
  const read = useCallback(() => {
    photosAt(at).then(setAll, () => setCannot(true));
  }, [at]);
  useEffect(read, [read]);
  const add = useCallback(
    ({ hash, bytes }: Pick<StoredPhoto, 'hash' | 'bytes'>) => {
      putPhoto({ hash, bytes, job, at, takenAt: Date.now() }).then(read, () => setCannot(true));
    },
    [job, at, read],
  );
  const remove = useCallback((hash: string) => void dropPhotos([hash]).then(read, read), [read]);
  return { all, cannot, add, remove };
}
