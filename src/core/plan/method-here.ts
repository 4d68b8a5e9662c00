import { METHODS, type Method, methodOf } from '../method';
import { refuse, texts } from '../say';
import type { Piece } from './repair';

const REFUSED = texts('refused.plan.method-here', {
  'method-not-known': 'The method “{id}” is not known here.',
  'method-version-file':
    'The method “{method}” is of version {version} in this file; this Grenko knows version {known}. Open it with the Grenko it was planned with.',
});

/** The method of a pass, as of the version it was planned with. @throws Refusal for one that is not known here */
export function methodHere({ method: { id, version } }: Piece): Method {
  const method = methodOf(id);
  if (!method) return refuse('method.id', id, METHODS.map((m) => m.id).join(', '), REFUSED['method-not-known']({ id }));
  if (method.version !== version)
    return refuse(
      'method.version',
      version,
      `version ${method.version}`,
      REFUSED['method-version-file']({ method: method.label, version, known: method.version }),
    );
  return method;
}
