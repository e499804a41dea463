export { checkFloor, type FloorFault } from './checkFloor';
export { settingOf } from './meansOfJob';
export { planShop } from './planShop';
export * from './ShopSource';
export { daysFrom, minuteOf, shiftsOf } from './shifts';
export * from './ShopFloor';
export * from './timesTyped';
export { isOverdue, type PartSupply, type SupplyOf } from './Supply';
