'use client';
import NextLink from 'next/link';
import type { ComponentProps } from 'react';

/**
 * A link to another page of ours. It asks for that page when it is followed, not before: every page is read anew from the database, so what
 * would be asked for ahead is asked for twice, by each of a screen's twenty links.
 */
export const Link = (props: ComponentProps<typeof NextLink>) => <NextLink prefetch={false} {...props} />;
