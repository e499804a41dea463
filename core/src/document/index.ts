export {
  DOCUMENT_ORIGINS,
  DOCUMENT_STATUSES,
  documentKey,
  documentName,
  inEffect,
  isSameDocument,
  type DocumentKey,
  type ShopDocument,
} from './ShopDocument';
