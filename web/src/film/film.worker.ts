import { mailbox } from '../worker/mailbox';
import { gifFilm, type GifFilm } from './gif';
import type { FilmAsk } from './use-film';

let film: GifFilm | undefined;

/** The making of an animated picture: begin, frame by frame, end. */
mailbox<FilmAsk>(function* (request) {
  yield { done: 0 };
  if ('begin' in request) film = gifFilm(request.begin.width, request.begin.height, request.begin.delayMs);
  else if ('frame' in request) film?.add(new Uint8ClampedArray(request.frame));
  else return film?.finish() ?? new Uint8Array();
  return undefined;
});
