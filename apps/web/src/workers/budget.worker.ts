import { correctionOf, type CorrectionQuestion } from '@usual-drag/core/readings';
import { sampleCorrection, type SampledCorrection } from '@usual-drag/core/uncertainty';
import { expose } from 'comlink';

const sample = (question: CorrectionQuestion): SampledCorrection | null => sampleCorrection(correctionOf(question));

export type Sample = typeof sample;

expose(sample);
