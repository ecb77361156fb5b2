import { type FitQuestion, fitOffers } from '@spare-knot/core/advice';
import { tellAnswer } from './tell-answer';

self.onmessage = ({ data }: MessageEvent<FitQuestion>) => tellAnswer(fitOffers(data));
