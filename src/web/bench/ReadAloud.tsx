import { useEffect, useState } from 'react';
import { t } from '../../words.ts';

/** Marks text that is read aloud, in the order of the page. */
export const SPOKEN = { 'data-spoken': '' };

const spokenText = () =>
  [...document.querySelectorAll<HTMLElement>('main [data-spoken]')]
    .filter((element) => element.checkVisibility?.() ?? true)
    // biome-ignore lint/performance/useDomNodeTextContent: its line breaks are read as pauses
    .map((element) => element.innerText)
    .join('. ');

/** Reads what matters of the step in hand aloud, for hands in gloves and eyes on the hull. */
export function ReadAloud() {
  const [isSpeaking, setSpeaking] = useState(false);
  const speech = 'speechSynthesis' in window ? window.speechSynthesis : null;
  useEffect(() => () => speech?.cancel(), [speech]);
  if (!speech) return null;
  const toggle = () => {
    speech.cancel();
    if (isSpeaking) return setSpeaking(false);
    const words = new SpeechSynthesisUtterance(spokenText());
    words.lang = 'en-GB';
    words.onend = () => setSpeaking(false);
    words.onerror = () => setSpeaking(false);
    speech.speak(words);
    setSpeaking(true);
  };
  return (
    <button type="button" className="btn btn-sm target no-print" aria-pressed={isSpeaking} onClick={toggle}>
      {isSpeaking ? t`Stop reading` : t`Read aloud`}
    </button>
  );
}
