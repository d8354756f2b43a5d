interface Props {
  /** The words on the button. */
  label: string;
  /** Endings and media types offered, as an `accept` attribute has them. */
  accept: string;
  small?: boolean;
  onFile: (file: File) => void;
}

/** A button that opens a file from the device; the same file may be opened again. */
export function OpenFile({ label, accept, small = false, onFile }: Props) {
  return (
    <label className={`btn ${small ? 'btn-sm' : ''}`}>
      {label}
      <input
        type="file"
        accept={accept}
        className="sr-only"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onFile(file);
          event.target.value = '';
        }}
      />
    </label>
  );
}
