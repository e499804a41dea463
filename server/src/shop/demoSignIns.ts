import type { Here } from '@tug-mark/contract';

/** Sign-ins of the demo shop. They exist only there, and its pages print them. */
export const DEMO_SIGN_INS: Here['shop']['demoSignIns'] = [
  { name: 'Odile', role: 'technician', password: 'demo-odile-bench', note: 'production technician' },
  { name: 'Ines', role: 'quality', password: 'demo-ines-quality', note: 'owns the limits' },
  { name: 'Marek', role: 'engineer', password: 'demo-marek-engineer', note: 'keeps the cabinet' },
  { name: 'Tove', role: 'technician', password: 'demo-tove-lapsed', note: 'qualification lapsed' },
];
