import type { Person } from '@dossier/contract';
import { act, fireEvent, render, screen } from '@testing-library/react';
import { ToAddressBook } from './ToAddressBook';

const person = { id: 'nella', fullName: 'Nella Harrowfield-Voss' } as Person;
const file = new File(['BEGIN:VCARD'], 'Nella Harrowfield-Voss.vcf', { type: 'text/vcard' });
const touch = () => fireEvent.click(screen.getByRole('button', { name: 'To this device’s address book' }));

describe('one touch to the address book', () => {
  it('goes through the system’s sheet where there is one, and says what to choose there', async () => {
    const share = jest.fn().mockResolvedValue(undefined);
    Object.assign(navigator, { canShare: () => true, share });
    render(<ToAddressBook person={person} file={file} />);
    touch();
    expect(share).toHaveBeenCalledWith({ files: [file], title: person.fullName });
    expect(await screen.findByText(/address book|Contacts/i, { selector: '[role="status"] *' })).toBeTruthy();
  });

  it('says nothing more to whoever thought better of it', async () => {
    let refuse: (error: Error) => void = () => undefined;
    Object.assign(navigator, {
      canShare: () => true,
      share: () => new Promise((_resolve, reject) => (refuse = reject)),
    });
    const { container } = render(<ToAddressBook person={person} file={file} />);
    touch();
    await act(() => Promise.resolve(refuse(new DOMException('no', 'AbortError'))));
    expect(container.querySelector('[role="status"]')!.textContent).toBe('');
  });

  it('is a download elsewhere, under the person’s name', () => {
    Object.assign(navigator, { canShare: undefined });
    Object.assign(URL, { createObjectURL: () => 'blob:file', revokeObjectURL: () => undefined });
    const links: string[] = [];
    const click = jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (
      this: HTMLAnchorElement,
    ) {
      links.push(this.download);
    });
    render(<ToAddressBook person={person} file={file} />);
    touch();
    expect(links).toEqual(['Nella Harrowfield-Voss.vcf']);
    click.mockRestore();
  });
});
