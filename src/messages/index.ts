export { isLanguage, LANGUAGE_KEY, loadWriting, type Language } from './languages';
