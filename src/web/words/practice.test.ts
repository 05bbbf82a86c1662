import { expect, test } from '@jest/globals';
import { PRACTICES, practiceSteps } from '../../core/bench/index.ts';
import { PRACTICE_WORDS, practiceFigures, practiceWords } from './practice.ts';

test.each(['mm', 'in'] as const)('every step of practice has its words, with its figures in %s', (units) => {
  for (const id of PRACTICES) {
    const steps = practiceSteps(id);
    expect(Object.keys(PRACTICE_WORDS[id].steps)).toEqual(steps.map((s) => s.code));
    for (const step of steps) {
      const { title, how } = practiceWords(id, step, units);
      const said = [title, how, ...practiceFigures(step, units).map((f) => f.value)].join(' ');
      expect(said).not.toMatch(/[{}]/);
      if (units === 'in') expect(said).not.toMatch(/\d mm/);
    }
  }
});
