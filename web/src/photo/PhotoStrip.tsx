import { useEffect, useMemo } from 'react';
import type { Item } from '../field/outbox';
import { useWaiting } from '../field/useWaiting';
import { date } from '../parts/format';
import { Pairs } from './Pairs';
import { usePhotos } from './queries';

/** Photos of a tree, newest first, those that wait on this phone before them; of one spot when it is given. */
export function PhotoStrip({ treeId, spot }: { treeId: number; spot?: string }) {
  const photos = usePhotos(treeId);
  const waiting = useWaiting();
  const spotOf = (item: Item) => (item.form as { spot: string }).spot;
  const here =
    waiting.data?.open.filter(
      (item) => item.kind === 'photo' && item.treeId === treeId && (!spot || spotOf(item) === spot),
    ) ?? [];
  const shown = photos.data?.filter((photo) => !spot || photo.spot === spot) ?? [];
  if (shown.length + here.length === 0) return null;
  return (
    <>
      <div className="photo-strip">
        {here.map((item) => (
          <figure key={item.key}>
            <HerePicture item={item} alt={'The tree ' + spotOf(item)} />
            <figcaption className="small">
              {!spot && spotOf(item) + ', '}
              {item.state === 'held' ? 'not taken: ' + (item.refusal?.detail ?? '') : 'waits on this phone'}
            </figcaption>
          </figure>
        ))}
        {shown.map((photo) => (
          <a key={photo.key} href={'/api/photos/' + photo.key} target="_blank" rel="noreferrer">
            <img
              src={'/api/photos/' + photo.key}
              loading="lazy"
              alt={'The tree ' + photo.spot + ', ' + date(photo.takenOn)}
            />
            <span className="small">
              {!spot && photo.spot + ', '}
              {date(photo.takenOn)}
            </span>
          </a>
        ))}
      </div>
      <Pairs photos={shown} />
    </>
  );
}

/** A picture that is still on this phone. */
export function HerePicture({ item, alt }: { item: Item; alt: string }) {
  const { key, picture } = item;
  // One address for a picture, however often the list it stands in is read anew.
  const address = useMemo(() => (picture ? URL.createObjectURL(picture) : undefined), [key]); // eslint-disable-line react-hooks/exhaustive-deps
  useEffect(() => () => void (address && URL.revokeObjectURL(address)), [address]);
  return address ? <img src={address} alt={alt} /> : null;
}
