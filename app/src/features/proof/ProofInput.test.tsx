import { fireEvent, render, screen } from '@testing-library/react';
import { ProofInput } from './ProofInput';

const props = {
  label: 'E-mail',
  value: 'nella@harrowfie1d.example',
  doubts: [{ from: 15, to: 16 }],
  onChange: jest.fn(),
  onFocus: jest.fn(),
  onEnter: jest.fn(),
};

describe('a field’s text', () => {
  it('carries the highlighter under its doubtful characters, and says so to a screen reader', () => {
    const { container } = render(<ProofInput {...props} />);
    expect([...container.querySelectorAll('.doubt')].map((mark) => mark.textContent)).toEqual(['1']);
    expect(screen.getByRole('textbox', { name: 'E-mail, doubtful' })).toBeTruthy();
  });

  it('carries it too where nothing was found that the card seems to have', () => {
    const { container } = render(<ProofInput {...props} value="" doubts={[]} missing />);
    expect(container.querySelectorAll('.doubt')).toHaveLength(1);
    expect(screen.getByRole('textbox', { name: 'E-mail, doubtful' })).toBeTruthy();
  });

  it('stays one line, and Enter goes on', () => {
    render(<ProofInput {...props} doubts={[]} />);
    const input = screen.getByRole('textbox', { name: 'E-mail' });
    fireEvent.change(input, { target: { value: 'two\n lines' } });
    expect(props.onChange).toHaveBeenCalledWith('two lines', true);
    fireEvent.keyDown(input, { key: 'Enter' });
    expect(props.onEnter).toHaveBeenCalledTimes(1);
  });

  it('tells what is wrong where it is wrong', () => {
    render(<ProofInput {...props} doubts={[]} complaint="This is not a complete e-mail address." />);
    expect(screen.getByRole('textbox').getAttribute('aria-invalid')).toBe('true');
    expect(screen.getByRole('alert').textContent).toMatch(/not a complete/);
  });
});
