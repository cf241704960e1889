import type { Sentences } from './sentences.ts';

/** Why a machine file cannot be opened, and what would work. */
export const DOCUMENT_SENTENCES = {
  'file-too-large': d =>
    `The file has ${d.megabytes} million characters; machine files are read up to ` +
    `${d.most} million. Nothing was changed.`,
  'file-not-json': () =>
    'This is not a machine file: it is not JSON text. Open a file that was saved here as .json.',
  'file-broken-off': () =>
    'The file begins like a machine but is damaged or broken off. Take an earlier copy; nothing here was changed.',
  'file-not-ours': d => `This JSON file is not a machine: it does not carry the mark “${d.format}”.`,
  'file-version-unreadable': d =>
    `The file’s version, ${d.version}, is not a whole number from 1 up, so it cannot be read safely.`,
  'file-newer': d =>
    `The file is of version ${d.version}; this application knows versions up to ` +
    `${d.known}. Open it with a newer one; nothing was changed.`,
  'change-invalid': d =>
    `At ${d.where} it could not be opened again: ${d.what}. Nothing was changed; choose a figure within its limits.`,
  'file-invalid': d =>
    `At ${d.where} the file cannot be right: ` +
    `${d.what}.${d.more > 0 ? ` There are ${d.more} more such places.` : ''}`,
  'id-twice': d => `The id “${d.id}” is used twice in the file. Each thing needs its own.`,
  'bearing-unknown': d =>
    `“${d.owner}” turns in a ball bearing “${d.name}”, which is in no table here. Take one by its bore, such as 625.`,
  'screw-unknown': d =>
    `“${d.owner}” is held by screws “${d.name}”, which are in no table here. Take M2, M2.5, M3 or M4.`,
  'missing-axis': d => `“${d.owner}” refers to an axis “${d.id}” that is not in the file.`,
  'missing-member': d => `“${d.owner}” stands on an arbor “${d.id}” that is not in the file.`,
  'missing-toothing': d => `“${d.owner}” uses a toothing “${d.id}” that is not in the file.`,
  'missing-wheel': d => `“${d.owner}” refers to a wheel “${d.id}” that is not there.`,
  'missing-joint': d => `“${d.owner}” hangs on a mesh “${d.id}” that is not in the file.`,
  'missing-aim': d => `“${d.owner}” belongs to an aim “${d.id}” that is not in the file.`,
  'missing-process': d => `“${d.owner}” is made by a process “${d.id}” that is not in the file.`,
  'missing-dial': d => `“${d.owner}” is read against a dial “${d.id}” that is not in the file.`,
  'missing-material': d => `“${d.owner}” is made of a material “${d.id}” that is not in the file.`,
  'missing-mode': d => `“${d.owner}” stands in a mode “${d.id}” that is not in the file.`,
  'missing-frame': d => `“${d.owner}” rests in a frame “${d.id}” that is neither the ground nor an arbor.`,
  'axis-on-itself': d =>
    `The axis “${d.id}” hangs on itself in a circle. One of the axes must be given its own place.`,
  'size-needs-count': d =>
    `“${d.toothing}” is sized by a wheel whose count is open. Give it a count, or size by module.`,
  'size-impossible': d =>
    `“${d.toothing}” cannot have that diameter at that count: take more teeth or less negative shift.`,
  'size-not-for-form': d =>
    `“${d.toothing}” is no involute form, and is sized by module, pitch or centre distance.`,
} satisfies Partial<Sentences>;
