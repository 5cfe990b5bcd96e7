import type { PersonFields } from '@dossier/contract';
import { formatPhone } from '@dossier/core/people';
import { View } from 'react-native';
import { Soft, Text } from '@/ui';

interface Entry {
  key: string;
  action: string;
  text: string;
  kind: string;
  href?: string;
  message?: string;
}

/** Fax is never offered as a number to call. */
export function ContactLinks({ fields }: { fields: PersonFields }) {
  const entries: Entry[] = [
    ...fields.phones.map(({ value, kind, extension }) => ({
      key: `phone ${value} ${kind}`,
      action: kind === 'fax' ? 'Fax' : 'Call',
      text: formatPhone(value, extension),
      kind: kind === 'fax' ? '' : kind,
      href: kind === 'fax' ? undefined : `tel:${dialled(value)}${extension ? `;ext=${extension}` : ''}`,
      // RFC 5724; a number behind a switchboard gets no messages.
      message: kind === 'mobile' && !extension ? `sms:${dialled(value)}` : undefined,
    })),
    ...fields.emails.map((value) => ({
      key: value,
      action: 'Write',
      text: value,
      kind: '',
      href: `mailto:${encodeURIComponent(value).replace('%40', '@')}`,
    })),
    ...fields.websites.map((value) => ({ key: value, action: 'Visit', text: value, kind: '', href: webHref(value) })),
  ];
  if (entries.length === 0) return <Soft>No phone, e-mail or web address is known.</Soft>;
  return (
    <View>
      {entries.map(({ key, action, text, kind, href, message }) => (
        <View key={key} className="min-h-[50px] flex-row items-center gap-3 border-b border-rule">
          <Soft className="w-[52px]">{action}</Soft>
          <View className="min-w-0 flex-1">
            {href ? (
              <a
                href={href}
                target={action === 'Visit' ? '_blank' : undefined}
                rel="noreferrer"
                style={{
                  color: 'rgb(var(--ink))',
                  overflowWrap: 'anywhere',
                  padding: '10px 0',
                  textUnderlineOffset: 4,
                }}
              >
                <Text className="tabular text-[17px]">{text}</Text>
              </a>
            ) : (
              <Text className="tabular text-[17px]">{text}</Text>
            )}
          </View>
          {message ? (
            <a
              href={message}
              aria-label={`Send a text message to ${text}`}
              style={{ color: 'rgb(var(--ink))', padding: '12px 8px', textUnderlineOffset: 4 }}
            >
              <Text className="underline underline-offset-4">Text</Text>
            </a>
          ) : null}
          {kind ? <Soft>{kind}</Soft> : null}
        </View>
      ))}
    </View>
  );
}

const dialled = (number: string): string => number.replace(/[^\d+]/g, '');

/** Only web schemes: a card cannot make a link that runs something. */
const webHref = (value: string): string =>
  /^https?:\/\//i.test(value) ? value : `https://${value.replace(/^\/+/, '')}`;
