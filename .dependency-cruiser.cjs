// Who may import whom: app -> features -> job -> (workers, storage, ui) -> core, one way.
const CORE_ALLOWED = {
  base: ['base'],
  signal: ['base', 'signal'],
  fit: ['base', 'signal', 'fit'],
  sender: ['base', 'signal', 'sender'],
  coolant: ['base', 'signal', 'coolant'],
  obd: ['base', 'obd'],
  formats: ['base', 'signal', 'obd', 'formats'],
  plant: ['base', 'signal', 'sender', 'coolant', 'plant'],
  twin: ['base', 'signal', 'coolant', 'twin'],
  cautions: ['base', 'cautions'],
  procedure: ['base', 'cautions', 'procedure'],
  monitor: ['base', 'signal', 'coolant', 'monitor'],
  limits: ['base', 'coolant', 'monitor', 'limits'],
  evidence: ['base', 'signal', 'evidence'],
  bench: ['base', 'signal', 'fit', 'sender', 'coolant', 'bench'],
  codes: ['base', 'evidence', 'codes'],
  judge: ['base', 'signal', 'fit', 'sender', 'coolant', 'twin', 'monitor', 'evidence', 'judge'],
  drive: ['base', 'signal', 'twin', 'drive'],
  desk: ['base', 'signal', 'sender', 'coolant', 'twin', 'monitor', 'limits', 'judge', 'drive', 'desk'],
  case: ['base', 'signal', 'sender', 'coolant', 'bench', 'codes', 'monitor', 'limits', 'evidence', 'case'],
  repair: ['base', 'coolant', 'cautions', 'procedure', 'evidence', 'case', 'repair'],
  proof: ['base', 'bench', 'monitor', 'evidence', 'judge', 'case', 'repair', 'drive', 'desk', 'planning', 'proof'],
  closing: ['base', 'evidence', 'case', 'repair', 'proof', 'closing'],
  report: [
    'base',
    'signal',
    'cautions',
    'bench',
    'evidence',
    'case',
    'repair',
    'drive',
    'desk',
    'proof',
    'closing',
    'report',
  ],
  history: ['base', 'signal', 'evidence', 'case', 'repair', 'closing', 'history'],
  practice: ['base', 'plant', 'planning', 'evidence', 'case', 'history', 'practice'],
  planning: ['base', 'signal', 'fit', 'sender', 'coolant', 'plant', 'twin', 'monitor', 'evidence', 'judge', 'planning'],
};

const coreRules = Object.entries(CORE_ALLOWED).map(([folder, allowed]) => ({
  name: `core-${folder}`,
  comment: `src/core/${folder} may import only: ${allowed.join(', ')}`,
  severity: 'error',
  from: { path: `^src/core/${folder}/`, pathNot: '\\.test\\.ts$' },
  to: { path: '^src/core/', pathNot: `^src/core/(${allowed.join('|')})/` },
}));

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-is-pure',
      comment: 'core knows no React, Next, Dexie, DOM or Node',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: {
        pathNot:
          '^(src/core/|node_modules/(papaparse|htmlparser2|pako|crc-32|yup|ml-matrix|d3-array|d3-random|@types/))',
      },
    },
    {
      name: 'ui-knows-no-coolant',
      severity: 'error',
      from: { path: '^src/ui/' },
      to: { path: '^src/', pathNot: '^src/(ui|core/(base|signal))/' },
    },
    {
      name: 'storage-stands-on-core',
      severity: 'error',
      from: { path: '^src/storage/' },
      to: {
        path: '^src/',
        pathNot:
          '^src/(storage|core/(base|bench|formats|sender|case|closing|judge|plant|practice|procedure|repair|twin))/',
      },
    },
    {
      name: 'workers-stand-on-core',
      severity: 'error',
      from: { path: '^src/workers/' },
      to: { path: '^src/', pathNot: '^src/(workers|core)/' },
    },
    {
      name: 'no-feature-imports-another',
      severity: 'error',
      from: { path: '^src/features/([^/]+)/' },
      to: { path: '^src/features/', pathNot: '^src/features/$1/' },
    },
    {
      name: 'job-stands-below-the-features',
      comment: 'the open job is shared by all stages and knows none of them',
      severity: 'error',
      from: { path: '^src/job/' },
      to: { path: '^src/', pathNot: '^src/(job|workers|storage|ui|core)/' },
    },
    {
      name: 'features-do-not-import-app',
      severity: 'error',
      from: { path: '^src/(features|job|workers|storage|ui|core|cli)/' },
      to: { path: '^src/app/' },
    },
    {
      name: 'app-composes-features',
      severity: 'error',
      from: { path: '^src/app/' },
      to: { path: '^src/', pathNot: '^src/(app|features|job|ui|server)/' },
    },
    {
      name: 'server-stands-alone',
      comment: 'what the server adds to an answer knows nothing of the program',
      severity: 'error',
      from: { path: '^src/(server/|proxy\\.ts)' },
      to: { path: '^src/', pathNot: '^src/server/' },
    },
    {
      name: 'cli-stands-on-core',
      severity: 'error',
      from: { path: '^src/cli/' },
      to: { path: '^src/', pathNot: '^src/(cli|core)/' },
    },
    ...coreRules,
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'node', 'default'] },
  },
};
