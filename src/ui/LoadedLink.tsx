import type { ReactNode } from 'react';

/** A link whose page is loaded whole, with permissions of its own, and not only changed on the spot. */
export function LoadedLink({
  href,
  className,
  onClick,
  children,
}: {
  href: string;
  className?: string;
  onClick?: () => void;
  children: ReactNode;
}) {
  return (
    <a href={href} className={className} onClick={onClick}>
      {children}
    </a>
  );
}
