export { showDay, showMoment } from './show';
export { isZone, today, type ShopTime } from './today';
