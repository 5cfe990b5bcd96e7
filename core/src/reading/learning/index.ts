export {
  isLikeCompany,
  type Learned,
  learnedAddress,
  type LearnedAddress,
  learnedCompany,
  type LearnedFirm,
  learnedPhone,
} from './learned';
export { type FiledRecord, type Lesson, lessonsOf } from './lessons';
