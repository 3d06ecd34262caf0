import NextLink from 'next/link';
import type { ComponentProps } from 'react';

/**
 * A link within the program. What it leads to is asked for when it is pressed, not when it comes into sight: the server is
 * on this machine, and asking ahead made 16 to 50 requests of each page (decision 39).
 */
export const Link = (props: Omit<ComponentProps<typeof NextLink>, 'prefetch'>) => (
  <NextLink {...props} prefetch={false} />
);
