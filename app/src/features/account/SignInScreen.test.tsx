import { fireEvent, screen, waitFor } from '@testing-library/react';
import { answerWith, renderInStore } from '@/testing/renderInStore';
import { SignInScreen } from './SignInScreen';

const write = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
const press = () => fireEvent.click(screen.getByRole('button', { name: 'Sign in' }));

describe('the sign-in page', () => {
  it('says what is missing before it asks the server', async () => {
    const fetched = answerWith({});
    renderInStore(<SignInScreen />);
    write('E-mail', 'ottilie');
    press();
    await waitFor(() => expect(screen.getByText('Write your e-mail address in full.')).toBeTruthy());
    expect(screen.getByText('Write your password.')).toBeTruthy();
    expect(fetched).not.toHaveBeenCalled();
  });

  it('tells what the server says', async () => {
    const detail = 'The e-mail address or the password is not right. Check both and try again.';
    answerWith({
      'POST /session': {
        status: 401,
        body: { type: 'about:blank', title: 'Not signed in', status: 401, code: 'wrong-password', detail },
      },
    });
    renderInStore(<SignInScreen />);
    write('E-mail', 'ottilie@keldermoss.example');
    write('Password', 'guess');
    press();
    await waitFor(() => expect(screen.getByRole('alert').textContent).toBe(detail));
  });
});
