import { mm, mm2, percent, texts } from '../say';
import { type MethodContext, settingIn } from './context';
import { LEVEL_ML } from './engines';
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
