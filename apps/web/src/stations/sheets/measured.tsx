import type { ReactNode } from 'react';

/** What is measured on paper under a name, with the margins of what stands in it. */
export const Measured = ({ name, children }: { name: string; children: ReactNode }) => (
  <div data-height={name} className="flow-root">
    {children}
  </div>
);
