import type {
  Repeated,
  WebhookChange,
  WebhookDeliveries,
  WebhookFields,
  Webhooks,
  WebhookSecret,
} from '@dossier/contract';
import { api } from '@/lib/api';

const webhooksApi = api.injectEndpoints({
  endpoints: (build) => ({
    webhooks: build.query<Webhooks, void>({ query: () => '/webhooks', providesTags: ['Webhook'] }),
    addWebhook: build.mutation<WebhookSecret, WebhookFields>({
      query: (body) => ({ url: '/webhooks', method: 'POST', body }),
      invalidatesTags: ['Webhook'],
    }),
    changeWebhook: build.mutation<void, { id: string } & WebhookChange>({
      query: ({ id, ...body }) => ({ url: `/webhooks/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Webhook'],
    }),
    removeWebhook: build.mutation<void, string>({
      query: (id) => ({ url: `/webhooks/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Webhook'],
    }),
    actOnWebhook: build.mutation<Repeated, { id: string; act: 'try' | 'repeat' }>({
      query: ({ id, act }) => ({ url: `/webhooks/${id}/${act}`, method: 'POST' }),
      invalidatesTags: ['Webhook', 'Delivery'],
    }),
    renewSecret: build.mutation<WebhookSecret, string>({
      query: (id) => ({ url: `/webhooks/${id}/secret`, method: 'POST' }),
      invalidatesTags: ['Webhook'],
    }),
    deliveries: build.query<WebhookDeliveries, string>({
      query: (id) => `/webhooks/${id}/deliveries`,
      providesTags: ['Delivery'],
    }),
    repeatDelivery: build.mutation<Repeated, string>({
      query: (id) => ({ url: `/webhook-deliveries/${id}/repeat`, method: 'POST' }),
      invalidatesTags: ['Webhook', 'Delivery'],
    }),
  }),
});

export const {
  useWebhooksQuery,
  useAddWebhookMutation,
  useChangeWebhookMutation,
  useRemoveWebhookMutation,
  useActOnWebhookMutation,
  useRenewSecretMutation,
  useDeliveriesQuery,
  useRepeatDeliveryMutation,
} = webhooksApi;
