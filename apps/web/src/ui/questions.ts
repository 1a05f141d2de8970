import { create } from 'zustand';

/** One way out of a question. */
export interface Answer {
  readonly label: string;
  readonly act: () => void;
}

/** What must not go away before a person has answered it, such as which of two versions is kept. */
export interface Question {
  /** What it is about: a newer question about the same takes its place. */
  readonly about: string;
  readonly text: string;
  /** The first stands out. */
  readonly answers: readonly Answer[];
}

/** The questions that are open, the oldest first. */
export const useQuestions = create<{ readonly open: readonly Question[] }>()(() => ({ open: [] }));

/** Asks, above whatever page is open, until it is answered. */
export function ask(question: Question): void {
  useQuestions.setState(({ open }) => {
    const at = open.findIndex(({ about }) => about === question.about);
    return { open: at < 0 ? [...open, question] : open.with(at, question) };
  });
}

/** Closes a question, and does as it was answered. */
export function answer(question: Question, { act }: Answer): void {
  useQuestions.setState(({ open }) => ({ open: open.filter((other) => other !== question) }));
  act();
}
