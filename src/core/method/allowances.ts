import { ml, mm, mm2, percent, texts } from '../say';
import { figure } from '../units';
import { type MethodContext, settingIn } from './context';
import { claimedMl, coatsOf, faceM2, geometricMl, LEVEL_ML, plainCoatMl } from './engines';
import type { AllowanceRow } from './method';

const AMOUNT = texts('allowance', {
  share: '{share} of the void',
  crown: 'left proud to bring back',
  recess: 'left low for the coat',
  crownBy: '{area} × {depth}',
  recessBy: '−{area} × {depth}',
});

/** A share of the void that does not stay in it: waste, surplus, what is pressed out. The setting holds the share. */
export const shareOf = (setting: string, label: string): AllowanceRow => {
  const { said } = texts(`allowance.${label}`, { said: label });
  return {
    id: setting,
    of: (c) => ({
      label: said(),
      ml: (c.measured.nominalMl * settingIn(c, setting)) / 100,
      expression: AMOUNT.share({ share: percent(settingIn(c, setting)) }),
    }),
  };
};

const levelled = (c: MethodContext, level: 'crown' | 'recess') => ({
  label: AMOUNT[level](),
  ml: LEVEL_ML[level](c),
  expression: AMOUNT[`${level}By`]({
    area: mm2(c.void.count * c.measured.faces.planAreaMm2),
    depth: mm(settingIn(c, level)),
  }),
});

/** What a crown adds, or a recess leaves out, by the level chosen. */
export const levels: readonly AllowanceRow[] = (['crown', 'recess'] as const).map((level) => ({
  id: level,
  of: (c) => (c.effects.level === level ? levelled(c, level) : null),
}));

const COAT = texts('coat.amount', {
  claimed: '{more, select, yes {more by the sheet’s coverage} other {less by the sheet’s coverage}}',
  claim: '{n, plural, one {} other {# × }}{area} / {covers} m² a litre, less {geometric} by geometry',
  bed: '{area} / {covers} m² a litre, {gap} more than {geometric} by geometry',
  further: '{n, plural, one {the second coat} other {# further coats}}',
  by: '{n} × {area} × {thickness}',
});

/** What the coats after the first take. */
export const furtherCoats: AllowanceRow = {
  id: 'coats',
  of: (c) => {
    const n = coatsOf(c) - 1;
    if (n < 1) return null;
    const each = plainCoatMl(c);
    return {
      label: COAT.further({ n }),
      ml: n * each,
      expression: COAT.by({
        n,
        area: { is: 'area', value: faceM2(c) * 1e6 },
        thickness: { is: 'length', value: each / faceM2(c) / 1000 },
      }),
    };
  },
};

/** The line that it stands in. */
export const BY_COVERAGE = 'coverage';

/**
 * What the sheet's coverage says beyond the geometry; where the film is too thin to be measured, also what it says
 * less.
 */
export const byCoverage: AllowanceRow = {
  id: BY_COVERAGE,
  of: (c) => {
    const claimed = claimedMl(c);
    if (claimed === null) return null;
    const n = coatsOf(c);
    const geometric = Array.from({ length: n }, (_, layer) => geometricMl(c, layer));
    const by = geometric.reduce((sum, ml) => sum + (c.params.byCoverage ? claimed : Math.max(claimed, ml)) - ml, 0);
    if (Math.abs(by) < 1e-9) return null;
    return {
      label: COAT.claimed({ more: by > 0 ? 'yes' : 'no' }),
      ml: by,
      expression: COAT.claim({
        n,
        area: { is: 'area', value: faceM2(c) * 1e6 },
        covers: figure(c.sheet.coversM2PerL!),
        geometric: ml(geometric.reduce((sum, x) => sum + x, 0)),
      }),
      voice: 'sheet',
    };
  },
};

/**
 * What the sheet's coverage says beyond the geometry of a bed: combs are held flatter and backs are hollower than
 * drawn.
 */
export const bedByCoverage: AllowanceRow = {
  id: BY_COVERAGE,
  of: (c) => {
    const claimed = claimedMl(c);
    const geometric = c.measured.nominalMl;
    if (claimed === null || claimed <= geometric) return null;
    return {
      label: COAT.claimed({ more: 'yes' }),
      ml: claimed - geometric,
      expression: COAT.bed({
        area: { is: 'area', value: faceM2(c) * 1e6 },
        covers: figure(c.sheet.coversM2PerL!),
        gap: percent((100 * (claimed - geometric)) / geometric),
        geometric: ml(geometric),
      }),
      voice: 'sheet',
    };
  },
};
