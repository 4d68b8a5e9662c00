/**
 * The fills of the whole product, as SVG patterns with fixed names: bases hatched by material, parts and cure by
 * texture.
 */
export function Textures() {
  return (
    <svg width="0" height="0" aria-hidden="true" style={{ position: 'absolute' }}>
      <defs>
        <pattern id="tx-a" width="16" height="10" patternUnits="userSpaceOnUse">
          <rect width="16" height="10" fill="var(--part-a)" />
          <path d="M0 5 q4 -5 8 0 t8 0" fill="none" stroke="var(--part-a-light)" strokeWidth="1.3" />
        </pattern>
        <pattern id="tx-b" width="8" height="8" patternUnits="userSpaceOnUse">
          <rect width="8" height="8" fill="var(--part-b)" />
          <circle cx="2" cy="2" r="1.15" fill="var(--part-b-light)" />
          <circle cx="6" cy="6" r="1.15" fill="var(--part-b-light)" />
        </pattern>
        <pattern id="tx-c" width="12" height="12" patternUnits="userSpaceOnUse">
          <rect width="12" height="12" fill="var(--part-c)" />
          <path d="M2 3 l3 -1 l1 3 z M8 9 l3 -1 l0 3 z" fill="none" stroke="var(--paper)" strokeWidth="1" />
        </pattern>
        <pattern id="tx-liquid" width="18" height="10" patternUnits="userSpaceOnUse">
          <rect width="18" height="10" fill="var(--mix)" />
          <path d="M0 5 q4.5 -5 9 0 t9 0" fill="none" stroke="var(--mix-line)" strokeWidth="1.3" />
        </pattern>
        <pattern id="tx-gelled" width="8" height="8" patternUnits="userSpaceOnUse">
          <rect width="8" height="8" fill="var(--mix-2)" />
          <circle cx="2" cy="2" r="1.1" fill="var(--mix-line)" />
          <circle cx="6" cy="6" r="1.1" fill="var(--mix-line)" />
        </pattern>
        <pattern id="tx-hardening" width="8" height="8" patternUnits="userSpaceOnUse">
          <rect width="8" height="8" fill="var(--mix-3)" />
          <path d="M-2 10 L10 -2 M-2 2 L2 -2 M6 10 L10 6" stroke="var(--ink)" strokeWidth="1.1" />
        </pattern>
        <pattern id="tx-set" width="8" height="8" patternUnits="userSpaceOnUse">
          <rect width="8" height="8" fill="var(--set)" />
        </pattern>
        <pattern id="tx-closed" width="9" height="9" patternUnits="userSpaceOnUse">
          <path d="M-2 11 L11 -2" stroke="var(--hair)" strokeWidth="1" opacity="0.55" />
        </pattern>
        <pattern id="tx-perhaps" width="7" height="7" patternUnits="userSpaceOnUse">
          <rect width="7" height="7" fill="var(--paper)" />
          <circle cx="3.5" cy="3.5" r="1.5" fill="var(--mix-line)" />
        </pattern>
        <pattern id="tx-wet" width="9" height="9" patternUnits="userSpaceOnUse">
          <path d="M2.5 1 v4 M7 5 v3.5" stroke="var(--dew)" strokeWidth="1.4" strokeLinecap="round" />
        </pattern>
        <pattern id="tx-cold" width="12" height="12" patternUnits="userSpaceOnUse">
          <path
            d="M3 3.5 h4 M5 1.5 v4 M9 9.5 h4 M11 7.5 v4 M-3 9.5 h4 M-1 7.5 v4"
            stroke="var(--ink-2)"
            strokeWidth="1"
          />
        </pattern>
        <pattern id="tx-hot" width="12" height="7" patternUnits="userSpaceOnUse">
          <path d="M0 6 L3 1 L6 6 L9 1 L12 6" fill="none" stroke="var(--stop)" strokeWidth="1.1" />
        </pattern>
        <pattern id="tx-concrete" width="44" height="40" patternUnits="userSpaceOnUse">
          <rect width="44" height="40" fill="var(--ground-2)" />
          <g fill="none" stroke="var(--hatch)" strokeWidth="1">
            <path d="M6 8 l8 1 l-4 6 z" />
            <path d="M30 26 l8 2 l-5 5 z" />
            <path d="M27 5 l5 1 l-3 4 z" />
          </g>
          <g fill="var(--hatch)">
            <circle cx="20" cy="18" r="0.9" />
            <circle cx="38" cy="12" r="0.9" />
            <circle cx="10" cy="30" r="0.9" />
            <circle cx="22" cy="34" r="0.9" />
            <circle cx="3" cy="20" r="0.9" />
          </g>
        </pattern>
        <pattern id="tx-stone" width="36" height="24" patternUnits="userSpaceOnUse">
          <rect width="36" height="24" fill="var(--ground-2)" />
          <path
            d="M0 6 L14 2 M18 12 L34 7 M4 20 L18 17 M26 22 L36 19"
            stroke="var(--hatch)"
            strokeWidth="1.2"
            fill="none"
          />
        </pattern>
        <pattern id="tx-metal" width="9" height="9" patternUnits="userSpaceOnUse">
          <rect width="9" height="9" fill="var(--ground-2)" />
          <path d="M-2 11 L11 -2" stroke="var(--hatch)" strokeWidth="1.2" />
        </pattern>
        <pattern id="tx-plastic" width="10" height="10" patternUnits="userSpaceOnUse">
          <rect width="10" height="10" fill="var(--ground-2)" />
          <path d="M-2 12 L12 -2 M-2 -2 L12 12" stroke="var(--hatch)" strokeWidth="0.9" />
        </pattern>
        <pattern id="tx-laminate" width="14" height="7" patternUnits="userSpaceOnUse">
          <rect width="14" height="7" fill="var(--ground-2)" />
          <path d="M0 1.5 H14 M0 5 H9" stroke="var(--hatch)" strokeWidth="0.9" />
        </pattern>
        <pattern id="tx-timber" width="60" height="14" patternUnits="userSpaceOnUse">
          <rect width="60" height="14" fill="var(--ground-2)" />
          <path d="M0 4 q15 -4 30 0 t30 0 M0 10 q15 3 30 0 t30 0" stroke="var(--hatch)" strokeWidth="0.9" fill="none" />
        </pattern>
        <pattern id="tx-rod" width="6" height="6" patternUnits="userSpaceOnUse">
          <rect width="6" height="6" fill="var(--paper)" />
          <path d="M-1 7 L7 -1" stroke="var(--ink)" strokeWidth="0.8" />
        </pattern>
      </defs>
    </svg>
  );
}
