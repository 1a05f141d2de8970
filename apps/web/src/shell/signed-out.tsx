import { signInAddress, useSignedOut } from '../api/signed-out.ts';
import { QuestionStrip } from '../ui/question-strip.tsx';

/** Reports that the server requires the passphrase, and links to it. */
export function SignedOut() {
  const isSignedOut = useSignedOut((state) => state.isSignedOut);
  if (!isSignedOut) return null;
  return (
    <QuestionStrip answers={[{ label: 'Sign in', act: () => location.assign(signInAddress()) }]}>
      <b>This device is not signed in.</b> Changes are stored on this device and sent after you sign in.
    </QuestionStrip>
  );
}
