import { answer, ask, useQuestions, type Question } from './questions.ts';

const open = (): readonly string[] => useQuestions.getState().open.map(({ text }) => text);
const question = (about: string, text: string, act = (): void => undefined): Question => ({
  about,
  text,
  answers: [{ label: 'Yes', act }],
});

test('questions stay in their order until answered; a newer one about the same takes the place', () => {
  const done: string[] = [];
  const second = question('b', 'second', () => done.push('second'));
  ask(question('a', 'first'));
  ask(second);
  ask(question('a', 'first again'));
  expect(open()).toEqual(['first again', 'second']);
  answer(second, second.answers[0]!);
  expect(done).toEqual(['second']);
  expect(open()).toEqual(['first again']);
});

test('an answer that asks again leaves that question open', () => {
  const first = useQuestions.getState().open[0]!;
  answer(first, { label: 'Again', act: () => ask(question('a', 'once more')) });
  expect(open()).toEqual(['once more']);
});
