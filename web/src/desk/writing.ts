/** Where the child writes: the field that has the keys, or had them last. */
export interface Writing {
  at: string;
  setAt: (blank: string) => void;
  /** The blank that a question was asked of, until something is changed. */
  asked: string | undefined;
  text: (blank: string) => string;
  write: (blank: string, text: string) => void;
}
