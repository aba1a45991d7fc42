import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import { currentPersonId } from '../api/client';
import { photoItem } from '../field/items';
import { randomKey } from '../field/outbox';
import { keepAndSend } from '../field/phone';
import { shrink } from '../field/picture';
import { Icon } from '../parts/Icon';
import { usePhotos } from './queries';
import { Viewfinder } from './Viewfinder';

/** A photo, made smaller on the phone, kept there and sent when there is signal. */
export function TakePhoto({
  siteId,
  treeId,
  tag,
  takenOn,
  spot,
  label,
}: {
  siteId: number;
  treeId: number;
  tag: string;
  takenOn: string;
  spot: string;
  /** Beside the camera, where the place is not plain. */
  label?: string;
}) {
  const file = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState('');
  const [looking, setLooking] = useState(false);
  const last = usePhotos(treeId).data?.find((photo) => photo.spot === spot);
  const queries = useQueryClient();
  const take = async (picture: File) => {
    let small: Blob;
    try {
      small = await shrink(picture);
    } catch {
      setSaid('not a picture');
      return;
    }
    try {
      const photo = { key: randomKey(), siteId, treeId, about: tag, takenOn, spot, picture: small };
      setSaid('keeping…');
      const sending = keepAndSend(photoItem({ ...photo, person: currentPersonId() }));
      void queries.invalidateQueries({ queryKey: ['waiting'] });
      const item = await sending;
      setSaid(
        item.state === 'sent' ? 'sent' : item.state === 'held' ? (item.refusal?.detail ?? 'refused') : 'kept',
      );
      await queries.invalidateQueries({ queryKey: ['photos', treeId] });
      await queries.invalidateQueries({ queryKey: ['waiting'] });
    } catch (wrong) {
      setSaid(wrong instanceof Error ? wrong.message : 'not kept');
    }
  };
  return (
    <div className={label ? 'd-inline-block' : 'text-center'}>
      <Button
        variant="outline-primary"
        style={{ minHeight: 48, minWidth: 56 }}
        aria-label={'Photo ' + spot}
        onClick={() => file.current?.click()}
      >
        <Icon name="camera" /> {label}
      </Button>
      {last && 'mediaDevices' in navigator && (
        <button type="button" className="btn btn-link btn-sm d-block" onClick={() => setLooking(true)}>
          as last time
        </button>
      )}
      {looking && last && (
        <Viewfinder
          last={'/api/photos/' + last.key}
          close={() => setLooking(false)}
          take={(picture) => {
            setLooking(false);
            void take(picture);
          }}
        />
      )}
      <div className="small faint" aria-live="polite">
        {said}
      </div>
      <input
        ref={file}
        type="file"
        hidden
        accept="image/*"
        capture="environment"
        aria-label={'Picture ' + spot}
        onChange={(e) => {
          const picture = e.target.files?.[0];
          e.target.value = '';
          if (picture) void take(picture);
        }}
      />
    </div>
  );
}
