export { LANGUAGES, showDay, showMoment, type Language } from './show';
export { isZone, today, type ShopTime } from './today';
