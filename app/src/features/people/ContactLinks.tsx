import type { PersonFields } from '@dossier/contract';
import { formatPhone } from '@dossier/core/people';
import { View } from 'react-native';
import { Soft, Text } from '@/ui';

/** Fax is never offered as a number to call. */
export function ContactLinks({ fields }: { fields: PersonFields }) {
  const entries = [
    ...fields.phones.map(({ value, kind, extension }) => ({
      key: `phone ${value} ${kind}`,
      action: kind === 'fax' ? 'Fax' : 'Call',
      text: formatPhone(value, extension),
      kind: kind === 'fax' ? '' : kind,
      href: kind === 'fax' ? undefined : `tel:${value.replace(/[^\d+]/g, '')}${extension ? `;ext=${extension}` : ''}`,
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
      {entries.map(({ key, action, text, kind, href }) => (
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
          {kind ? <Soft>{kind}</Soft> : null}
        </View>
      ))}
    </View>
  );
}

/** Only web schemes: a card cannot make a link that runs something. */
const webHref = (value: string): string =>
  /^https?:\/\//i.test(value) ? value : `https://${value.replace(/^\/+/, '')}`;
