'use client';
import { useState } from 'react';
import type { CrossingSetup, CrossingView } from '@/core/crossing';
import { readNumber } from '../common/read-number';

const percentOf = ({ spareShare }: CrossingSetup): string => String(Math.round(spareShare * 100));
/** All but the locks, which are set on the face and not in the setup. */
const asTyped = ({ locked: _locked, ...setup }: CrossingSetup): string => JSON.stringify(setup);

/**
 * The setup of a crossing as it is being typed. Untouched it follows the server; touched it keeps what the hand saw, and the version of that,
 * whatever locks are set beside it meanwhile.
 */
export function useSetup(view: CrossingView) {
  const [seen, setSeen] = useState({ setup: view.setup, version: view.version });
  const [setup, setSetup] = useState(view.setup);
  const [share, setShare] = useState(percentOf(view.setup));
  const percent = readNumber(share);
  const follow = () => {
    setSetup(view.setup);
    setShare(percentOf(view.setup));
    setSeen({ setup: view.setup, version: view.version });
  };
  const dirty = asTyped(setup) !== asTyped(seen.setup) || percent / 100 !== seen.setup.spareShare;
  if (view.version !== seen.version) {
    const onlyLocks = asTyped(view.setup) === asTyped(seen.setup);
    const saved = asTyped(view.setup) === asTyped({ ...setup, spareShare: percent / 100 });
    if (!dirty || saved) follow();
    else if (onlyLocks) setSeen({ setup: view.setup, version: view.version });
  }
  return {
    setup,
    setSetup,
    share,
    setShare,
    seen,
    dirty,
    percent,
    /** Somebody else has changed the setup since the first field was touched: saving it is refused until theirs is looked at. */
    overtaken: view.version !== seen.version,
    /** Leaves what was typed for what is there now. */
    follow,
  };
}
