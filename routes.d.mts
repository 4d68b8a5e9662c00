export const FORMS: readonly { readonly source: string; readonly page: string }[];
export const PAGES: readonly string[];
export function pageOf(path: string): string | null;
export function fileOf(page: string): string;
