import { gifFilm, type GifFilm } from './gif';

/** A mailbox round the making of an animated picture: begin, frame by frame, end. */
type Request =
  | { readonly begin: { readonly width: number; readonly height: number; readonly delayMs: number } }
  | { readonly frame: ArrayBuffer }
  | { readonly end: true };

let film: GifFilm | undefined;

self.onmessage = ({ data }: MessageEvent<Request>) => {
  if ('begin' in data) film = gifFilm(data.begin.width, data.begin.height, data.begin.delayMs);
  else if ('frame' in data) {
    film?.add(new Uint8ClampedArray(data.frame));
    self.postMessage({ taken: true });
  } else {
    self.postMessage({ bytes: film?.finish() });
    film = undefined;
  }
};
