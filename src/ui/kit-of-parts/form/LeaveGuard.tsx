'use client';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';

/** The address within the product that a click would go to; null where it goes nowhere, elsewhere, or to another window. */
function leadsTo(event: MouseEvent): string | null {
  if (event.defaultPrevented || event.button !== 0 || event.ctrlKey || event.metaKey || event.shiftKey)
    return null;
  const link = event.target instanceof Element ? event.target.closest('a') : null;
  if (!link || link.target !== '' || link.hasAttribute('download')) return null;
  const to = new URL(link.href, location.href);
  if (to.origin !== location.origin || to.pathname === location.pathname) return null;
  return `${to.pathname}${to.search}`;
}

/** While something typed is not kept, whoever goes elsewhere is asked first. */
export function LeaveGuard({ dirty }: { readonly dirty: boolean }) {
  const router = useRouter();
  const [to, setTo] = useState<string | null>(null);
  useEffect(() => {
    if (!dirty) return undefined;
    const unload = (event: BeforeUnloadEvent) => event.preventDefault();
    const click = (event: MouseEvent) => {
      const address = leadsTo(event);
      if (address === null) return;
      event.preventDefault();
      event.stopPropagation();
      setTo(address);
    };
    window.addEventListener('beforeunload', unload);
    document.addEventListener('click', click, true);
    return () => {
      window.removeEventListener('beforeunload', unload);
      document.removeEventListener('click', click, true);
    };
  }, [dirty]);
  return (
    <Dialog open={to !== null && dirty} onClose={() => setTo(null)} aria-labelledby="leave-guard">
      <DialogTitle id="leave-guard">Leave without saving?</DialogTitle>
      <DialogContent>What was typed here is not kept yet, and goes when you leave.</DialogContent>
      <DialogActions>
        <Button variant="contained" color="secondary" onClick={() => setTo(null)} autoFocus>
          Stay here
        </Button>
        <Button variant="outlined" onClick={() => to !== null && router.push(to)}>
          Leave
        </Button>
      </DialogActions>
    </Dialog>
  );
}
