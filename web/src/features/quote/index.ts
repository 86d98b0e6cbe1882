export { AnswerScreen } from './answer-screen.tsx'
export { OfferOptions } from './offer-options.tsx'
