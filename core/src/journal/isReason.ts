/**
 * Whether a text says anything: at least one word of three letters, or one sign of a script that writes words so. A key pressed
 * by mistake is no reason.
 */
export function isReason(text: string): boolean {
  return (
    /\p{L}{3}/u.test(text) || /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}]/u.test(text)
  );
}
