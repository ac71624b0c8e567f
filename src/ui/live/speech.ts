/** Whether this browser can speak at all. */
export const canSpeak = () => typeof window !== 'undefined' && 'speechSynthesis' in window;

/**
 * Says a sentence aloud; what was being said is cut short, as only the newest counts.
 * @param onRefused the browser would not speak: no voice, or not allowed
 */
export function speak(sentence: string, onRefused: () => void): void {
  if (!canSpeak()) return onRefused();
  try {
    const said = new SpeechSynthesisUtterance(sentence);
    said.lang = 'en';
    said.onerror = ({ error }) => {
      if (error !== 'interrupted' && error !== 'canceled') onRefused();
    };
    window.speechSynthesis.cancel();
    window.speechSynthesis.speak(said);
  } catch {
    onRefused();
  }
}
