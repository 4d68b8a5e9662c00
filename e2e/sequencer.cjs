const Sequencer = require('@jest/test-sequencer').default;

/**
 * The files that take longest go first, so that none of them is left running alone at the end. A clean checkout knows no times: the default
 * would go by the size of the files, which says little.
 */
const LONGEST = [
  'record',
  'methods',
  'torture-kills',
  'walk',
  'german',
  'phone',
  'shell',
  'keeping',
  'access',
  'worked-concrete',
  'worked-boat',
  'worked-metal',
  'torture',
  'start-windows',
  'walks/every-method',
  'known-words',
  'tabs',
  'feasible',
];
const rank = ({ path }) => {
  const at = LONGEST.findIndex((name) => path.endsWith(`/${name}.test.mjs`));
  return at < 0 ? LONGEST.length : at;
};

module.exports = class extends Sequencer {
  sort(tests) {
    return [...super.sort(tests)].sort((a, b) => rank(a) - rank(b));
  }
};
