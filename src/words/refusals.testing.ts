import { Refusal } from '@/core/say';
import { plainWords } from './render';

// In tests a refusal is met as people meet it, by its sentence; the core itself knows no words.
Object.defineProperty(Refusal.prototype, 'message', {
  get(this: Refusal) {
    return plainWords(this.problem.sentence);
  },
});
