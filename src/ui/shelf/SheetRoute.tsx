'use client';
import { useRoute } from '../shared/route';
import { SheetPage } from './SheetPage';

/** What the address names. */
export function SheetRoute() {
  const { sheetId } = useRoute();
  return <SheetPage key={sheetId} sheetId={sheetId} />;
}
