import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { KitOfParts } from '@/ui/kit-of-parts/KitOfParts';

export const metadata: Metadata = { title: 'Kit of parts' };

/** Every part that pages are made of, for whoever makes pages; not there in the product. */
export default function KitOfPartsPage() {
  if (process.env.NODE_ENV !== 'development') notFound();
  return <KitOfParts />;
}
