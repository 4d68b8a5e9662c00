import { texts } from '../../say';

/** What is offered in the place of a choice that was made. */
export const INSTEAD = texts('finding.instead', { take: 'Take “{option}”', width: 'A strip {width} wide' });
