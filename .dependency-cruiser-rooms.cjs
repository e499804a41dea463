/** Rooms (folders) do not lean on each other: of two, one is below. Checks are left out: they may look into every room. */
module.exports = {
  forbidden: [
    {
      name: 'no-room-circles',
      severity: 'error',
      scope: 'folder',
      from: { path: '^(core|server|contract|web)/src' },
      to: { circular: true },
    },
  ],
  options: {
    ...require('./.dependency-cruiser.cjs').options,
    exclude: { path: '(^|/)(dist|\\.angular|testing)/|\\.spec\\.ts$' },
  },
};
