export { howItWent, type Gone, type JobGone, type Went, type WentRow } from './howItWent';
export { movePlan, type Move, type Moved } from './movePlan';
export { PART_NAMES } from './partNames';
export { freeze, later, moveLittle } from './replan';
export { recall, repeat, repeatPlan } from './recall';
export { comparePlans, partsChanged, differences, goneJobs, endOfPlan, type Clock, type Difference } from './tell';
export { whatIf, type WhatIf } from './whatIf';
export { tellChange, whyHere, type WhyHere } from './whyHere';
