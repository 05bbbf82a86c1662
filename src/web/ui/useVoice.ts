import { useCallback, useEffect, useState } from 'react';

/** The browser's own voice, when it is asked; null where it has none. */
export function useVoice(): { speaks: boolean; say: (words: string) => void; hush: () => void } | null {
  const [speaks, setSpeaks] = useState(false);
  const hush = useCallback(() => {
    window.speechSynthesis?.cancel();
    setSpeaks(false);
  }, []);
  useEffect(() => () => window.speechSynthesis?.cancel(), []);
  const say = useCallback((words: string) => {
    window.speechSynthesis.cancel();
    const said = new SpeechSynthesisUtterance(words);
    said.lang = 'en';
    said.rate = 0.95;
    said.onend = () => setSpeaks(false);
    setSpeaks(true);
    window.speechSynthesis.speak(said);
  }, []);
  return 'speechSynthesis' in window ? { speaks, say, hush } : null;
}
