import type { AriaRole, ReactNode } from 'react';
import type { Finding } from '@/core/judge';

/** How a notice looks by how grave it is; what is merely told stands on plain paper. */
export const TONES: Readonly<Record<Finding['severity'] | 'told', string>> = {
  stop: 'alert-error',
  caution: 'alert-warning',
  note: 'alert-info alert-dash',
  told: 'alert-plain',
};

/** Something said beside the work, in a frame by how grave it is. */
export function Notice({
  tone,
  role,
  className = '',
  children,
}: {
  tone: keyof typeof TONES;
  /** `alert` is spoken at once, `status` when there is time. */
  role?: AriaRole;
  className?: string;
  children: ReactNode;
}) {
  return (
    <div role={role} className={`alert ${TONES[tone]} ${className}`}>
      <div className="min-w-0 flex-1">{children}</div>
    </div>
  );
}
