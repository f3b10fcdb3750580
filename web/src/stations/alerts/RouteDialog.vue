<script setup lang="ts">
import AppDialog from '@/parts/AppDialog.vue'
import AppForm from '@/parts/AppForm.vue'
import { computed, reactive, ref } from 'vue'
import { client, Problem, type Schemas } from '@/api/client'
import ChoiceField from '@/parts/ChoiceField.vue'
import ConflictChoice from '@/parts/ConflictChoice.vue'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import TextField from '@/parts/TextField.vue'
import { useConflict } from '@/parts/conflict'
import { useFormProblem } from '@/parts/formProblem'
import { useActs } from '@/stores/acts'

type Route = Schemas['RouteView']

/** A way on which alerts are sent. */
const props = defineProps<{ route: Route | null }>()
const emit = defineEmits<{ close: [] }>()

const acts = useActs()
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const form = reactive({
  kind: props.route?.kind ?? ('MAIL' as Route['kind']),
  name: props.route?.name ?? '',
  target: props.route?.target ?? '',
  smtpHost: props.route?.smtpHost ?? '',
  smtpPort: props.route?.smtpPort ?? (587 as number | null),
  smtpUser: props.route?.smtpUser ?? '',
  smtpPassword: '',
  smtpSecurity: props.route?.smtpSecurity ?? ('STARTTLS' as NonNullable<Route['smtpSecurity']>),
  sender: props.route?.sender ?? '',
})
let version = props.route?.version ?? 0

const KINDS = [
  { value: 'MAIL' as const, label: 'by mail' },
  { value: 'WEBHOOK' as const, label: 'posted to a web address' },
  { value: 'MQTT' as const, label: 'published over MQTT' },
]
const SECURITY = [
  { value: 'STARTTLS' as const, label: 'STARTTLS, usually port 587' },
  { value: 'TLS' as const, label: 'TLS, usually port 465' },
  { value: 'NONE' as const, label: 'none: only within your own network' },
]
const TARGETS: Record<Route['kind'], string> = {
  MAIL: 'mail address that gets them',
  WEBHOOK: 'web address that gets them as JSON',
  MQTT: 'topic, such as workshop/alerts',
}
const LABELS = {
  name: 'name',
  target: 'target',
  smtpHost: 'mail server',
  smtpPort: 'port',
  smtpUser: 'user',
  smtpSecurity: 'security',
  sender: 'sender',
}
const isMail = computed(() => form.kind === 'MAIL')
/** A kept password stays with the server that it was entered for. */
const passwordLabel = computed(() => {
  const kept = props.route
  if (!kept?.hasPassword) {
    return 'password'
  }
  const same =
    kept.smtpHost === form.smtpHost &&
    kept.smtpPort === form.smtpPort &&
    kept.smtpUser === form.smtpUser &&
    kept.smtpSecurity === form.smtpSecurity
  return same ? 'password (as it is, if empty)' : 'password (again: it was for another server)'
})

const { keepMine, takeTheirs } = useConflict<Route>(
  problem,
  (current) => {
    version = current
    void save()
  },
  (current) => {
    version = current.version
    const { name, target, smtpHost, smtpPort, smtpUser, smtpSecurity, sender } = current
    Object.assign(form, { name, target, smtpPort, smtpSecurity: smtpSecurity ?? 'STARTTLS' })
    Object.assign(form, {
      smtpHost: smtpHost ?? '',
      smtpUser: smtpUser ?? '',
      sender: sender ?? '',
    })
  },
)

async function save() {
  try {
    const body = { ...form, smtpPassword: form.smtpPassword || null }
    await acts.record(
      props.route
        ? client.PUT('/api/alert-routes/{id}', {
            params: { path: { id: props.route.id } },
            body: { ...body, version },
          })
        : client.POST('/api/alert-routes', { body }),
    )
    emit('close')
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
</script>

<template>
  <AppDialog
    :model-value="true"
    :title="route ? `Change ${route.name}` : 'Add a way of alerts'"
    width="min(32rem, 96vw)"
    @close="emit('close')"
  >
    <AppForm data-testid="route-form" @submit="save">
      <ChoiceField
        v-if="!route"
        id="route-kind"
        v-model="form.kind"
        name="kind"
        label="how"
        :options="KINDS"
      />
      <TextField
        id="route-name"
        v-model="form.name"
        name="name"
        label="name, such as: my phone"
        maxlength="80"
      />
      <TextField
        id="route-target"
        v-model="form.target"
        name="target"
        :label="TARGETS[form.kind]"
        maxlength="300"
      />
      <template v-if="isMail">
        <TextField
          id="route-sender"
          v-model="form.sender"
          name="sender"
          label="mail address that they come from"
        />
        <TextField
          id="route-host"
          v-model="form.smtpHost"
          name="smtpHost"
          label="mail server (SMTP)"
        />
        <ChoiceField
          id="route-security"
          v-model="form.smtpSecurity"
          name="smtpSecurity"
          label="how the connection is kept private"
          :options="SECURITY"
        />
        <NumberField
          id="route-port"
          v-model="form.smtpPort"
          name="smtpPort"
          label="port"
          :min="1"
          :max="65535"
          :controls="false"
        />
        <TextField
          id="route-user"
          v-model="form.smtpUser"
          name="smtpUser"
          label="user (if it asks for one)"
          autocomplete="off"
        />
        <TextField
          id="route-password"
          v-model="form.smtpPassword"
          name="smtpPassword"
          :label="passwordLabel"
          type="password"
          autocomplete="new-password"
        />
        <p class="small soft wide">
          The password is kept in the database on this computer and never shown again. Use one made
          for this program where your mail service offers that.
        </p>
      </template>
      <div class="wide">
        <ConflictChoice
          v-if="problem?.current"
          :problem="problem"
          :mine="form"
          :labels="LABELS"
          @mine="keepMine"
          @theirs="takeTheirs"
        />
        <template v-else>
          <ProblemNote v-if="problem" :problem="problem" />
          <button class="button primary">{{ route ? 'Keep the change' : 'Add this way' }}</button>
        </template>
      </div>
    </AppForm>
  </AppDialog>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(13rem, 1fr));
  gap: 0.75rem 1rem;
  align-items: end;
}

.wide {
  grid-column: 1 / -1;
  display: grid;
  gap: 0.9rem;
  justify-items: start;
}
</style>
