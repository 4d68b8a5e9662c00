import type { ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { Own } from './jsx-runtime';
import { learnLanguage, speak } from './tongue';

afterEach(() => speak('en'));
const Titled = ({ label, children }: { label: string; children: ReactNode }) => (
  <section aria-label={label}>{children}</section>
);
const page = (name: string) => (
  <Titled label="Settings">
    <h1 title="Close" data-note="Close" className="Close">
      Close
    </h1>
    <p>
      to <b>Close</b>, {name} <Own>{name}</Own>
    </p>
    <input placeholder="Close" defaultValue="Close" alt="Close" />
    {['Close', 'x'].map((text) => (
      <i key={text}>{text}</i>
    ))}
  </Titled>
);

test('in English every element is as it was written', () => {
  expect(renderToStaticMarkup(page('Close'))).toBe(
    '<section aria-label="Settings"><h1 title="Close" data-note="Close" class="Close">Close</h1>' +
      '<p>to <b>Close</b>, Close Close</p><input placeholder="Close" alt="Close" value="Close"/><i>Close</i><i>x</i></section>',
  );
});

test('what is read or heard is told in the language spoken; values, names of classes and what is one’s own are not', () => {
  learnLanguage('de', new Map(Object.entries({ Close: 'Schließen', Settings: 'Einstellungen', to: 'zu' })));
  speak('de');
  expect(renderToStaticMarkup(page('Close'))).toBe(
    '<section aria-label="Einstellungen"><h1 title="Schließen" data-note="Close" class="Close">Schließen</h1>' +
      '<p>zu <b>Schließen</b>, Schließen Close</p><input placeholder="Schließen" alt="Schließen" value="Close"/>' +
      '<i>Schließen</i><i>x</i></section>',
  );
});
