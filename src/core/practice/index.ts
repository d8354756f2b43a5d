export { PRACTICE_CASES, type PracticeCase, type PracticeCode, practiceTime } from './cases.ts';
export {
  type Poured,
  type PracticeDone,
  type PracticeFault,
  reviewPractice,
  thumbOn,
} from './review.ts';
