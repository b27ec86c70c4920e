import { CHECKS } from '@/core/proof/registry';
import { termOf } from '@/core/gallery/glossary';
import { RULES_WITH_TERMS, termOfRule } from './findingTerms';

const rules = CHECKS.map((c) => c.rule);

it.each(RULES_WITH_TERMS)('%s is a rule of the proof and has a word that the glossary explains', (rule) => {
  expect(rules).toContain(rule);
  expect(termOf(termOfRule(rule)!).says).not.toBe('');
});

it('has none where the sentence says all', () => {
  expect(termOfRule('outside-hoop')).toBeUndefined();
});
