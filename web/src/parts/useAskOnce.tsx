import { type ReactNode, useState } from 'react';
import { Alert } from 'react-bootstrap';

/**
 * What is possible but unlikely is asked about once: the first press shows the question, a second one says that it is so.
 *
 * @returns what to call instead of saving, and the question to show
 */
export function useAskOnce(): {
  sure: (question: string | undefined, go: () => void) => void;
  question: ReactNode;
} {
  const [asked, setAsked] = useState<string>();
  return {
    sure: (question, go) => {
      if (question && asked !== question) {
        setAsked(question);
        return;
      }
      setAsked(undefined);
      go();
    },
    question: asked && (
      <Alert variant="warning" className="py-2 mt-2" role="alert">
        {asked} If it is so, press again.
      </Alert>
    ),
  };
}
