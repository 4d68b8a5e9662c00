/** Days of a week as they are told, from Monday; day 1 is Monday. */
export const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** Days a week may begin with, and which of the seven each is. */
const FIRST_DAYS = { mon: 1, sun: 7, sat: 6 } as const;
export type WeekStart = keyof typeof FIRST_DAYS;
export const WEEK_STARTS = Object.keys(FIRST_DAYS) as readonly WeekStart[];

/** What a week that begins so is called. */
export const weekStartName = (start: WeekStart): string => DAYS[FIRST_DAYS[start] - 1]!;

/** The seven days in the order of a week. @example weekFrom('sun') // [7, 1, 2, 3, 4, 5, 6] */
export const weekFrom = (start: WeekStart): readonly number[] =>
  DAYS.map((_, i) => ((FIRST_DAYS[start] - 1 + i) % 7) + 1);

/** What a browser knows of a region’s weeks; some tell it as a property. */
interface Weeks {
  readonly getWeekInfo?: () => { readonly firstDay: number };
  readonly weekInfo?: { readonly firstDay: number };
}

/** The day that weeks begin with where the first language asked for is spoken; Monday where that is not known. */
export function weekStartFor([asked = 'en-GB']: readonly string[]): WeekStart {
  try {
    const region = new Intl.Locale(asked).maximize() as Weeks;
    const first = (region.getWeekInfo?.() ?? region.weekInfo)?.firstDay;
    return WEEK_STARTS.find((start) => FIRST_DAYS[start] === first) ?? 'mon';
  } catch {
    return 'mon';
  }
}
