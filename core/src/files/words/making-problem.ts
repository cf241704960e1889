import { fixed, mm } from '../../ground/units/index.ts';
import type { Sentences } from './sentences.ts';

/** Why a part or a file cannot be made or read, and what would work. */
export const MAKING_SENTENCES = {
  'too-many-triangles': d =>
    `${d.wheel} would need about ${d.is.toLocaleString('en')} triangles; files ` +
    `of more than ${d.most.toLocaleString('en')} open nowhere gladly. Allow a ` +
    'larger chord error.',
  'bevel-face-too-wide': d =>
    `The face of ${d.wheel} reaches to the apex of its cone. Make the face width less ` +
    `than ${d.most.toFixed(1)} mm.`,
  'link-no-figure': () =>
    'It has no outline yet: what moves it has no place, no drive, or does not reach. Mend that at Train first.',
  'second-roller-by-hand': d =>
    `The second cam turns a roller of its own, ${mm(d.apart, 2)} from the first on the same stiff follower: that ` +
    'roller, its pin and the piece that holds it are not made yet.',
  'guides-by-hand': d =>
    `Two pins in the plate guide it, at x ${mm(d.ax, 2)}, y ${mm(d.ay, 2)} and x ${mm(d.bx, 2)}, y ${mm(d.by, 2)}: ` +
    'drill their holes by hand, the drawing of the plate does not have them yet.',
  'bodies-not-yet': d =>
    `Parts of this kind (${d.kind}) are not made here yet. Make them yourself, or leave them out.`,
  'body-needs-printer': () =>
    'It is a body, and a sheet holds none. Give a printer for it at Make, or make it from its measures in the ' +
    'parts list.',
  'step-without-hub': () =>
    'A hub over openings, or on a piece of a wheel, is not written as STEP yet: the STL and 3MF of the wheel hold it.',
  'step-without-tap': () =>
    'The hole for its grub screw is not in the STEP file: drill it, or take its STL or 3MF.',
  'step-leaning': () =>
    'STEP files hold what is drawn straight up, and its teeth lean: the STL and 3MF of the wheel hold them.',
  'step-one-piece': () =>
    'STEP files hold what is drawn straight up, and this is not: its STL and 3MF hold it whole.',
  'step-bent': () => 'STEP files hold what is drawn straight up, and it is bent: its STL and 3MF hold it.',
  'bevel-needs-printer': () =>
    'A bevel is a body, and a sheet holds none. Give a printer for it at Make, or turn its blank and cut it by ' +
    'the paper patterns.',
  'ball-no-file': d => `No file makes a ball. Take one of ${fixed(d.diameter, 1)} mm, or turn it.`,
  'part-unknown': d => `${d.part} is no longer part of this machine.`,
  'bore-too-large-for-coupon': d =>
    `The wheels of this coupon are too small for a rod of ${d.rod} mm. Take a thinner rod or a larger module.`,
  'mesh-unreadable': d =>
    `This ${d.format} file cannot be read: ${d.what}. Save it again, as binary STL or 3MF.`,
  'dry-no-units': () =>
    'The drawing does not say in which unit it is drawn. Save it in millimetres, with ' +
    '$INSUNITS in a DXF or a width in mm in an SVG.',
  'dry-nothing': () =>
    'The drawing holds no line to cut. Take a file with lines in the layers CUT, DRILL or ENGRAVE.',
  'eccentric-too-thin': d =>
    `The eccentric of ${d.disc} would break: ${d.outside} mm across, set off by ` +
    `${d.eccentricity} mm, on a shaft of ${d.bore} mm. Bore the disc wider, or take a ` +
    'thinner shaft.',
  'higher-than-bed': d =>
    `It is ${d.is} mm high; the printer reaches ${d.most} mm. Make it in pieces, or by another process.`,
  'no-room-on-bed': d =>
    `It measures ${fixed(d.is, 1)} by ${fixed(d.by, 1)} mm and goes on no bed of ${d.width} × ${d.depth} mm. Give ` +
    'the printer its true bed at Make, or make it by another process.',
  'no-room-on-sheet': d =>
    `It measures ${fixed(d.is, 1)} by ${fixed(d.by, 1)} mm; ${d.number === 1 ? 'it goes' : `${d.number} of it go`} ` +
    `on no sheet: the largest is ${d.width} × ${d.height} mm, or all are full. Give ` +
    'larger or more sheets at Make, or make it by another process.',
  'one-piece-apart': d =>
    `${d.name} falls apart into ${d.number} bodies: a ring is joined to its arbor by a wall. ` +
    'Give its ring one, or say that it is held otherwise.',
  'compensation-swallows': d =>
    `Moving the line by ${fixed(Math.abs(d.by), 3)} mm leaves nothing of a part ` +
    'or a hole, or breaks it in two. Take a finer tool, or make it larger.',
  'outline-unreadable': d =>
    `This ${d.format} file cannot be read: ${d.what}. Save it again as ${d.format} and try that.`,
  'outline-none': d =>
    'There is no closed border in this ' +
    (`file${d.open > 0 ? `; ${d.open} open ${d.open === 1 ? 'line stands' : 'lines stand'} in it` : ''}. ` +
      '') +
    'Draw the border as one closed line.',
  'outline-open': d =>
    `The border is open: its ends at ${d.from} and ${d.to} lie ` +
    `${fixed(d.gap, 3)} mm apart. Join them in the drawing, or let them be joined ` +
    'here.',
  'outline-doubled': d =>
    `${d.count} ${d.count === 1 ? 'line is' : 'lines are'} drawn twice, near ` +
    `${d.at}. Take the doubles away in the drawing, or let them be dropped here.`,
  'outline-units': d =>
    `The file does not say its units: its border measures ${d.width} by ${d.height}. ` +
    'Choose millimetres or inches.',
  'outline-crosses': () => 'The border crosses itself. Draw it as one line that does not.',
  'outline-too-fine': d =>
    `The border has ${d.points} corners; at most ${d.most} are read. Simplify it in the drawing.`,
  'no-plates': () => 'The machine has no plates yet. Add them at Plan first.',
  'nothing-to-draw': () => 'There is no wheel to draw yet. Choose a train for an aim first.',
} satisfies Partial<Sentences>;
