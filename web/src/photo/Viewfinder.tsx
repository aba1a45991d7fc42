import { useEffect, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';

/** The camera of this device with the last photo of the same side pale over it, so that the next is taken from the same place. */
export function Viewfinder({
  last,
  take,
  close,
}: {
  /** Address of the last photo. */
  last: string;
  take: (picture: File) => void;
  close: () => void;
}) {
  const video = useRef<HTMLVideoElement>(null);
  const [wrong, setWrong] = useState(false);
  useEffect(() => {
    let gone = false;
    let stream: MediaStream | undefined;
    const stop = () => stream?.getTracks().forEach((track) => track.stop());
    navigator.mediaDevices
      .getUserMedia({ video: { facingMode: 'environment' } })
      .then((found) => {
        stream = found;
        if (gone) return stop();
        if (video.current) video.current.srcObject = found;
      })
      .catch(() => setWrong(true));
    return () => {
      gone = true;
      stop();
    };
  }, []);
  const shoot = () => {
    const seen = video.current;
    if (!seen?.videoWidth) return;
    const sheet = document.createElement('canvas');
    sheet.width = seen.videoWidth;
    sheet.height = seen.videoHeight;
    sheet.getContext('2d')?.drawImage(seen, 0, 0);
    sheet.toBlob((picture) => {
      if (picture) take(new File([picture], 'photo.jpg', { type: picture.type }));
    }, 'image/jpeg');
  };
  return (
    <div className="viewfinder" role="dialog" aria-modal="true" aria-label="Camera">
      {wrong ? (
        <p>The camera cannot be used from here. Take the photo with the camera’s own button instead.</p>
      ) : (
        <div className="one-over-other">
          <video ref={video} autoPlay muted playsInline />
          <img src={last} alt="The last photo of this side, pale" className="ghost" />
        </div>
      )}
      <div className="d-flex gap-2 justify-content-center mt-2">
        {!wrong && (
          <Button style={{ minHeight: 52 }} onClick={shoot}>
            Take it
          </Button>
        )}
        <Button variant="outline-light" style={{ minHeight: 52 }} onClick={close} autoFocus>
          Close
        </Button>
      </div>
    </div>
  );
}
