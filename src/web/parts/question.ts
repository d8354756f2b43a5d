/** Asked before something is taken away. */
export interface Question {
  title: string;
  /** What it means, where the title does not say it. */
  text?: string;
  /** The word for going ahead, and the one for turning back. */
  action: string;
  back?: string;
}
