import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';
import { date } from '../parts/format';

const usePhotos = (treeId: number) =>
  useQuery({
    queryKey: ['photos', treeId],
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/photos', { params: { path: { treeId } } })),
  });

/** Photos of a tree, newest first; of one spot when it is given. */
export function PhotoStrip({ treeId, spot }: { treeId: number; spot?: string }) {
  const photos = usePhotos(treeId);
  const shown = photos.data?.filter((photo) => !spot || photo.spot === spot) ?? [];
  if (shown.length === 0) return null;
  return (
    <div className="photo-strip">
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
  );
}
