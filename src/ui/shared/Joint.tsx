import type { StageState } from '@/core/judge';

/** A joint of the rule: its shape says how what it stands for stands. @param square it is the one that is open */
export function Joint({ state, square = false }: { state: StageState; square?: boolean }) {
  return (
    <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true" className="shrink-0">
      {state === 'stop' ? (
        <path d="M6 1h6l5 5v6l-5 5H6l-5-5V6z" fill="var(--stop)" stroke="var(--ink)" />
      ) : state === 'caution' ? (
        <path d="M9 1.5 L17 16 H1 Z" fill="var(--caution-bg)" stroke="var(--ink)" strokeWidth="1.2" />
      ) : square ? (
        <rect x="1" y="1" width="16" height="16" fill="var(--ink)" />
      ) : (
        <circle cx="9" cy="9" r="7.5" fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.2" />
      )}
      {state === 'done' && (
        <path
          d="M5.5 9.2 l2.4 2.6 l4.6 -5.4"
          fill="none"
          stroke={square ? 'var(--paper)' : 'var(--ink)'}
          strokeWidth="1.6"
        />
      )}
      {state === 'caution' && <path d="M9 6.5v4.5M9 12.6v1.4" stroke="var(--caution-ink)" strokeWidth="1.6" />}
      {state === 'stop' && <path d="M5.5 9h7" stroke="var(--stop-bg)" strokeWidth="2.2" />}
    </svg>
  );
}
