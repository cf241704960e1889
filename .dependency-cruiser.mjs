import { readFileSync } from 'node:fs';

const { wings } = JSON.parse(readFileSync(new URL('./core/layers.json', import.meta.url), 'utf8'));
/** Every room by its folder, with its level. */
const rooms = Object.fromEntries(
  Object.entries(wings).flatMap(([wing, inside]) =>
    Object.entries(inside).map(([room, level]) => [`${wing}/${room}`, level]),
  ),
);

/** What core may use besides the language itself. */
const CORE_USES = [
  'zod',
  'dxf-parser',
  '@tarikjabiri/dxf',
  'svgpath',
  'fast-xml-parser',
  'fflate',
  'ml-levenberg-marquardt',
  'manifold-3d',
  'clipper2-ts',
  'flatbush',
  '@cantoo/pdf-lib',
];

/** For every room of core: it may import only rooms of a lower number. */
const layerRules = Object.entries(rooms).map(([room, level]) => {
  const forbidden = Object.keys(rooms).filter(r => r !== room && rooms[r] >= level);
  return {
    name: `core-${room.replace('/', '-')}-imports-upwards-or-sideways`,
    severity: 'error',
    from: { path: `^core/src/${room}/`, pathNot: '\\.test\\.ts$' },
    to: { path: `^core/src/(${forbidden.join('|')})/` },
  };
});

export default {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '^(web|server)/' },
    },
    {
      name: 'core-needs-only-the-schema-library',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'core'],
        pathNot: `node_modules/(${CORE_USES.join('|')})/`,
      },
    },
    {
      name: 'solids-belong-to-solid',
      severity: 'error',
      from: { path: '^core/src', pathNot: '^core/src/making/solid/|\\.test\\.ts$' },
      to: { path: 'node_modules/manifold-3d/' },
    },
    {
      name: 'file-libraries-belong-to-format',
      severity: 'error',
      from: { path: '^core/src', pathNot: '^core/src/files/format/|\\.test\\.ts$' },
      to: {
        path: 'node_modules/(dxf-parser|@tarikjabiri/dxf|svgpath|fast-xml-parser|fflate|@cantoo/pdf-lib)/',
      },
    },
    {
      name: 'server-knows-no-web',
      severity: 'error',
      from: { path: '^server/src' },
      to: { path: '^(web|core)/' },
    },
    { name: 'web-knows-no-server', severity: 'error', from: { path: '^web/src' }, to: { path: '^server/' } },
    {
      name: 'core-room-not-in-layers',
      severity: 'error',
      from: { path: '^core/src/', pathNot: `^core/src/(${Object.keys(rooms).join('|')})/` },
      to: {},
    },
    ...layerRules,
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default'],
      extensions: ['.ts', '.vue', '.mjs', '.js'],
    },
  },
};
