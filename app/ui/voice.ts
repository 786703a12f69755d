/** The ask field by voice, where the browser offers it: said first that speech leaves the device, and the text stands in the field to be put right. */

interface Heard {
  results: ArrayLike<ArrayLike<{ transcript: string }>>;
}

interface Recognition extends EventTarget {
  lang: string;
  interimResults: boolean;
  start(): void;
  stop(): void;
  onresult: ((event: Heard) => void) | null;
  onend: (() => void) | null;
  onerror: ((event: { error: string }) => void) | null;
}

type Offers = { SpeechRecognition?: new () => Recognition; webkitSpeechRecognition?: new () => Recognition };

const KNOWS = 'brass-nut-voice';
const button = document.querySelector<HTMLButtonElement>('#voice-button');
const bar = document.querySelector<HTMLInputElement>('#quick');
const dialog = document.querySelector<HTMLDialogElement>('#voice');
const { SpeechRecognition, webkitSpeechRecognition } = window as unknown as Offers;
const Recognizer = SpeechRecognition ?? webkitSpeechRecognition;

let hearing: Recognition | null = null;

function write(text: string): void {
  if (!bar) return;
  bar.value = text;
  bar.dispatchEvent(new Event('input', { bubbles: true }));
}

/** In place of what cannot be heard. */
const FAULTS: Record<string, string> = {
  'not-allowed': 'The browser may not use the microphone: allow it in its settings.',
  'no-speech': 'Nothing was heard. Press Speak and say it again.',
  network: 'Without a connection speech is not written down: type it.',
};

/** On the strip that says what a question was taken for. */
function tell(words: string): void {
  const strip = document.querySelector<HTMLElement>('#took');
  const told = strip?.querySelector('[data-words]');
  if (!strip || !told) return;
  told.textContent = words;
  strip.hidden = false;
}

function hear(): void {
  if (!Recognizer || !button || !bar) return;
  hearing = new Recognizer();
  hearing.lang = 'en';
  hearing.interimResults = true;
  hearing.onresult = ({ results }) =>
    write(
      Array.from(results, (said) => said[0]?.transcript ?? '')
        .join(' ')
        .trim(),
    );
  hearing.onerror = ({ error }) => tell(FAULTS[error] ?? 'It was not heard. Press Speak and say it again.');
  hearing.onend = () => {
    hearing = null;
    button.textContent = 'Speak';
    button.removeAttribute('aria-pressed');
    bar.focus();
  };
  button.textContent = 'Stop';
  button.setAttribute('aria-pressed', 'true');
  hearing.start();
}

function press(): void {
  if (hearing) hearing.stop();
  else if (localStorage.getItem(KNOWS)) hear();
  else dialog?.showModal();
}

if (Recognizer && button && dialog) {
  button.hidden = false;
  button.addEventListener('click', press);
  dialog.addEventListener('close', () => {
    if (dialog.returnValue !== 'go') return bar?.focus();
    localStorage.setItem(KNOWS, 'yes');
    hear();
  });
}
