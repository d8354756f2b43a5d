/** A question before a deletion. */
export interface Question {
  title: string;
  /** The consequences, if the title isn’t enough. */
  text?: string;
  /** The word for going ahead, and the one for turning back. */
  action: string;
  back?: string;
}
