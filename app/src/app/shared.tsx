/** The page behind a link is shown by the shell: nobody is signed in. */
export default function Shared() {
  return null;
}
