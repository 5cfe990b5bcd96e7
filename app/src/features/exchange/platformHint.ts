/** How a person gets from a file into the device's own address book, by what the browser says of itself. @param isShared through the system's sheet */
export function platformHint(userAgent: string, isShared: boolean): string {
  const isTouched = /iPhone|iPad|iPod/.test(userAgent);
  if (isTouched) return isShared ? 'Choose Contacts in the sheet, then Create or Save.' : 'Open the file under Downloads, then the sign at its top.'; // prettier-ignore
  if (/Android/.test(userAgent)) return isShared ? 'Choose Contacts in the sheet, then the account to save into.' : 'Open the file from the notification or Downloads; Contacts takes it in.'; // prettier-ignore
  if (/Macintosh/.test(userAgent)) return 'Open the file under Downloads: Contacts asks whether to add it.';
  if (/Windows/.test(userAgent)) return 'Open the file under Downloads: it comes up in your mail program or People.';
  return 'Open the file with your address book, or choose Import there.';
}
