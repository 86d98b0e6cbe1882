export { SignIn } from './sign-in.tsx'
