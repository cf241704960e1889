import { expect } from 'chai';
import type { Drawing } from '../../ground/drawing/index.ts';
import { circle, polygon } from '../../ground/geometry/index.ts';
import { writeSvg } from './index.ts';

const drawing = (change: Partial<Drawing['groups'][number]> = {}, more: Drawing['groups'] = []): Drawing => ({
  title: 'T',
  notes: ['one.', 'two.'],
  groups: [
    {
      name: 'A part',
      x: 10,
      y: 5,
      angle: 0,
      shapes: [
        {
          name: 's',
          role: 'cut',
          paths: [
            polygon([
              { x: 0, y: 0 },
              { x: 4, y: 0 },
              { x: 4, y: 2 },
            ]),
          ],
        },
      ],
      labels: [],
      ...change,
    },
    ...more,
  ],
});

describe('SVG', () => {
  it('is written byte for byte as agreed: y downwards, a margin of 2 mm, closed by Z', () => {
    expect(writeSvg(drawing())).to.equal(
      [
        '<?xml version="1.0" encoding="UTF-8"?>',
        '<svg xmlns="http://www.w3.org/2000/svg" width="8mm" height="6mm" viewBox="8 -9 8 6">',
        '  <title>T</title>',
        '  <desc>one. two.</desc>',
        '  <g id="A-part" data-name="A part">',
        '    <path data-role="cut" data-name="s" fill="none" stroke="#d00000" ' +
          'stroke-width="0.1" fill-rule="evenodd" d="M10 -5L14 -5L14 -7Z"/>',
        '  </g>',
        '</svg>',
        '',
      ].join('\n'),
    );
  });

  it('turns a group counter-clockwise before it moves it', () => {
    expect(writeSvg(drawing({ angle: Math.PI / 2 }))).to.include('d="M10 -5L10 -9L8 -9Z"');
  });

  it('writes arcs as arcs, in the right sense', () => {
    const hole = drawing({
      x: 0,
      y: 0,
      shapes: [{ name: 'h', role: 'drill', paths: [circle({ x: 0, y: 0 }, 3, false)] }],
    });
    expect(writeSvg(hole)).to.include('d="M3 0A3 3 0 0 1 -3 0A3 3 0 0 1 3 0Z"');
    const disc = drawing({
      x: 0,
      y: 0,
      shapes: [{ name: 'd', role: 'cut', paths: [circle({ x: 0, y: 0 }, 3)] }],
    });
    expect(writeSvg(disc)).to.include('d="M3 0A3 3 0 0 0 -3 0A3 3 0 0 0 3 0Z"');
  });

  it('gives every group an id of its own, whatever the names', () => {
    const group = drawing().groups[0]!;
    const ids = [
      ...writeSvg(drawing({}, [group, { ...group, name: 'A  part!' }, { ...group, name: '***' }])).matchAll(
        / id="([^"]+)"/g,
      ),
    ].map(m => m[1]);
    expect(ids).to.deep.equal(['A-part', 'A-part-2', 'A-part-3', 'part']);
  });

  it('writes labels upright at their place, with marks made safe', () => {
    const text = writeSvg(
      drawing({ labels: [{ text: '<24> & "up"', x: 1, y: 1, height: 3, role: 'engrave' }] }),
    );
    expect(text).to.include('x="11" y="-6"');
    expect(text).to.include('&#60;24&#62; &#38; &#34;up&#34;');
  });

  it('never writes a minus nought or an exponent', () => {
    const tiny = drawing({
      x: -1e-9,
      y: 1e-9,
      shapes: [
        {
          name: 's',
          role: 'reference',
          paths: [
            polygon([
              { x: 0, y: 0 },
              { x: 1e-7, y: 0 },
              { x: 3, y: 1e-8 },
            ]),
          ],
        },
      ],
    });
    const d = / d="([^"]+)"/.exec(writeSvg(tiny))?.[1] ?? '';
    expect(d).to.equal('M0 0L0 0L3 0Z');
  });
});
