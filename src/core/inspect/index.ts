export {
  ADHESION_LIMIT,
  FINDING_KINDS,
  type FindingKind,
  type Judged,
  judgeFinding,
  type Reading,
  type RustGrade,
  SALT_LIMIT,
} from './findings.ts';
