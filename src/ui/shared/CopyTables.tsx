'use client';
import { Check, Table2 } from 'lucide-react';
import { useState } from 'react';
import { copyTables } from './copy-tables';

/** Takes the tables of a page along, as a spreadsheet takes them. */
export function CopyTables({ more }: { readonly more?: readonly (readonly (readonly string[])[])[] }) {
  const [done, setDone] = useState<boolean | null>(null);
  return (
    <>
      <button
        type="button"
        className="btn"
        onClick={async () => {
          setDone(await copyTables(more));
          setTimeout(() => setDone(null), 2000);
        }}
      >
        {done ? <Check size={18} aria-hidden="true" /> : <Table2 size={18} aria-hidden="true" />} Copy as table
      </button>
      <span role="status" className="soft text-sm">
        {done === null ? '' : done ? 'copied' : 'The browser does not let it: select and copy by hand.'}
      </span>
    </>
  );
}
