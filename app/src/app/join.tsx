/** The page behind a link is shown by the shell: nobody is signed in yet. */
export default function Join() {
  return null;
}
