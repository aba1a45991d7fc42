import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { Item } from '../field/outbox';
import { outbox } from '../field/phone';

/** What was entered, as a file to keep. */
function download(item: Item) {
  const file =
    item.picture ??
    new Blob(
      [
        JSON.stringify(
          { kind: item.kind, about: item.about, madeAt: item.madeAt, content: item.body },
          null,
          2,
        ),
      ],
      {
        type: 'application/json',
      },
    );
  const link = document.createElement('a');
  link.href = URL.createObjectURL(file);
  link.download =
    (item.kind + '-' + item.about).replace(/[^A-Za-z0-9-]+/g, '_') + (item.picture ? '.jpg' : '.json');
  link.click();
  URL.revokeObjectURL(link.href);
}

/** Lets go of something only once it is saved elsewhere: nothing that was entered is lost by one tap. */
export function GiveUp({ item, done }: { item: Item; done?: () => void }) {
  const [saved, setSaved] = useState(false);
  const queries = useQueryClient();
  const letGo = () =>
    void outbox
      .drop(item.key)
      .then(() => queries.invalidateQueries({ queryKey: ['waiting'] }))
      .then(done);
  return (
    <>
      <Button
        size="sm"
        variant="outline-secondary"
        onClick={() => {
          download(item);
          setSaved(true);
        }}
      >
        Download it
      </Button>
      {saved && (
        <Button size="sm" variant="outline-danger" onClick={letGo}>
          Let go of it here
        </Button>
      )}
    </>
  );
}
