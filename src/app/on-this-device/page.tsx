import type { Metadata } from 'next';
import { DevicePage } from '@/ui/kept/DevicePage';

export const metadata: Metadata = { title: 'On this device' };

/** Shows what the browser keeps: it asks nobody, so that it can be shown where nobody can be asked. */
export default function OnThisDevice() {
  return <DevicePage />;
}
