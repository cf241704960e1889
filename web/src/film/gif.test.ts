import { expect } from 'chai';
import { GifReader } from 'omggif';
import { gifFilm } from './gif';

/** A square that moves to the right on a plain ground. */
function frame(width: number, height: number, at: number): Uint8ClampedArray {
  const pixels = new Uint8ClampedArray(width * height * 4);
  for (let i = 0; i < width * height; i++) {
    const x = i % width;
    const inside = x >= at && x < at + 4 && i / width > 4 && i / width < 10;
    pixels.set(inside ? [180, 56, 10, 255] : [232, 235, 228, 255], i * 4);
  }
  return pixels;
}

describe('films', () => {
  it('reopened by another library have their frames, size, pace and colours, and run for ever', () => {
    const [width, height] = [40, 16];
    const film = gifFilm(width, height, 80);
    for (let i = 0; i < 6; i++) film.add(frame(width, height, i * 5));
    const reader = new GifReader(film.finish() as unknown as Buffer);
    expect([reader.width, reader.height, reader.numFrames(), reader.loopCount()]).to.deep.equal([
      40, 16, 6, 0,
    ]);
    for (let i = 0; i < 6; i++) {
      expect(reader.frameInfo(i).delay, 'hundredths of a second').to.equal(8);
      const pixels = new Uint8ClampedArray(width * height * 4);
      reader.decodeAndBlitFrameRGBA(i, pixels);
      const red = (x: number): number => pixels[(7 * width + x) * 4] as number;
      expect(red(i * 5 + 1), `frame ${i}`).to.be.closeTo(180, 8);
      expect(red((i * 5 + 20) % width)).to.be.closeTo(232, 8);
    }
  });
});
