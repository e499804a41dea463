export { isZone, today, type ShopTime } from './today';
