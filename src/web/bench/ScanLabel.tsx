import { ScanLine } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { t } from '../../words.ts';

/** What the code of a lot's label reads (the labels under Stock). */
const LOT_CODE = /^jackplane:lot\/([0-9a-f-]{36})$/;
/** Pictures looked at while the camera is on. */
const EVERY_MS = 250;

/** The text of a code in a picture; null: there is none. Loaded once it is needed. */
async function codeIn(picture: ImageBitmapSource): Promise<string | null> {
  const { BarcodeDetector } = await import('qr/decode.js');
  const [found] = await new BarcodeDetector({ formats: ['qr_code'] }).detect(picture);
  return found?.rawValue ?? null;
}

interface Props {
  /** The lot of the label; null: the code is of no label of ours. */
  onLot: (lotId: string | null) => void;
}

/** Reads the code of a label by the camera, or from a photo where the browser gives no camera. */
export function ScanLabel({ onLot }: Props) {
  const [isOn, setOn] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [hasCamera, setHasCamera] = useState(typeof navigator.mediaDevices?.getUserMedia === 'function');
  const read = (code: string) => {
    setOn(false);
    setProblem(null);
    onLot(LOT_CODE.exec(code)?.[1] ?? null);
  };
  return (
    <div className="space-y-2">
      {isOn ? (
        <Camera
          onCode={read}
          onClose={() => setOn(false)}
          onNone={() => {
            setOn(false);
            setHasCamera(false);
            setProblem(t`The browser gives no camera. Photograph the label, or tap the lot below.`);
          }}
        />
      ) : (
        <div className="flex flex-wrap gap-2">
          {hasCamera ? (
            <button type="button" className="btn target" onClick={() => setOn(true)}>
              <ScanLine size={18} aria-hidden="true" />
              {t` Scan label`}
            </button>
          ) : (
            <FromPhoto onCode={read} onProblem={setProblem} />
          )}
        </div>
      )}
      {problem && <p role="alert">{problem}</p>}
    </div>
  );
}

function FromPhoto({
  onCode,
  onProblem,
}: {
  onCode: (code: string) => void;
  onProblem: (text: string) => void;
}) {
  return (
    <label className="btn target">
      <ScanLine size={18} aria-hidden="true" />
      {t` Photograph label`}
      <input
        type="file"
        accept="image/*"
        capture="environment"
        className="sr-only"
        onChange={async ({ target }) => {
          const [file] = target.files ?? [];
          if (!file) return;
          target.value = '';
          const code = await createImageBitmap(file)
            .then(codeIn)
            .catch(() => null);
          if (code === null)
            onProblem(t`No code was found in the photo. Hold the label flat and closer, or tap the lot below.`); // biome-ignore format: one line
          else onCode(code);
        }}
      />
    </label>
  );
}

function Camera({
  onCode,
  onClose,
  onNone,
}: {
  onCode: (code: string) => void;
  onClose: () => void;
  /** The browser gives no picture. */
  onNone: () => void;
}) {
  const video = useRef<HTMLVideoElement>(null);
  const calls = useRef({ onCode, onNone });
  calls.current = { onCode, onNone };
  useEffect(() => {
    let stream: MediaStream | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let isOver = false;
    const look = async () => {
      const picture = video.current;
      const code = picture && picture.readyState >= 2 ? await codeIn(picture).catch(() => null) : null;
      if (isOver) return;
      if (code !== null) calls.current.onCode(code);
      else timer = setTimeout(() => void look(), EVERY_MS);
    };
    navigator.mediaDevices
      .getUserMedia({ video: { facingMode: 'environment' } })
      .then(async (opened) => {
        stream = opened;
        if (isOver || !video.current) return stop();
        video.current.srcObject = opened;
        await video.current.play();
        void look();
      })
      .catch(() => {
        if (!isOver) calls.current.onNone();
      });
    const stop = () => {
      for (const track of stream?.getTracks() ?? []) track.stop();
    };
    return () => {
      isOver = true;
      clearTimeout(timer);
      stop();
    };
  }, []);
  return (
    <div className="space-y-2">
      <video ref={video} playsInline muted className="bg-base-300 max-h-80 w-full object-contain" />
      <p>{t`Hold the code of the label in the picture.`}</p>
      <button type="button" className="btn target" onClick={onClose}>{t`Stop scanning`}</button>
    </div>
  );
}
