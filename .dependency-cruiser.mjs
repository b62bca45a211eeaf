// Arrows between the folders of web/src point one way, and nothing goes in a circle.
// A folder may use those before it.
const layers = [
  ['core'],
  ['state'],
  ['shell'],
  ['board'],
  ['ink', 'record', 'wish'],
  ['stage'],
  ['export'],
  ['paper', 'classwork'],
  ['bench', 'present', 'shelf', 'classroom', 'desk'],
];

const folder = (names) => `^src/(${names.join('|')})/`;

export default {
  forbidden: [
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
    ...layers.flatMap((layer, i) => {
      const above = layers.slice(i + 1).flat();
      return [
        ...(above.length > 0
          ? [
              {
                name: `${layer.join('-')}-looks-down`,
                severity: 'error',
                from: { path: folder(layer) },
                to: { path: folder(above) },
              },
            ]
          : []),
        // Folders of one layer do not know each other.
        ...layer.map((one) => ({
          name: `${one}-stands-alone`,
          severity: 'error',
          from: { path: folder([one]) },
          to: { path: folder(layer.filter((other) => other !== one).concat('none')) },
        })),
      ];
    }),
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: 'generated' },
  },
};
