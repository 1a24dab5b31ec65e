import type { ReactNode } from 'react';

export function Field({ label, children }: { label: string; children: ReactNode }) {
  return (
    <label className="flex min-w-0 flex-col gap-1 text-[12px] text-ink-2">
      {label}
      {children}
    </label>
  );
}

export const inputShape =
  'mono h-8 w-full min-w-0 rounded-md border border-line-strong bg-paper px-2 text-[13px] text-ink focus:border-petrol';
