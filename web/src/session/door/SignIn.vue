<script setup lang="ts">
import { passPhraseLength } from '@dewpoint/contract'
import { computed, reactive, ref, watch } from 'vue'
import { recall } from '../../keeping/device/storage.ts'
import { roleWords } from '../roleWords.ts'
import { byName, canPasskeys } from '../passkeys.ts'
import PhraseStrength from '../PhraseStrength.vue'
import { useSession } from '../session.ts'

/** By name and pass phrase; with a code; in the demo with one tap. */
const emit = defineEmits<{ done: [] }>()
const session = useSession()
// whoever wrote on this device before people signed in need not type their name
const form = reactive({ name: recall('dewpoint.author') ?? '', passPhrase: '', code: '' })
/** in the demo a tap does: the form is there for whoever has a pass phrase all the same */
const withPhrase = ref(false)
const withCode = ref(false)
const shown = ref(false)
const busy = ref(false)
const trouble = ref('')
const fields = ref<Record<string, string>>({})
/** a finger or a face, where the browser has them */
const can = canPasskeys()
/** where on this machine they can be used, when it is open by a number */
const elsewhere = byName()
const byCode = computed(() => withCode.value || session.first.value)
watch(byCode, () => ((trouble.value = ''), (fields.value = {})))

async function come(work: ReturnType<typeof session.signIn>) {
  if (busy.value) return
  busy.value = true
  const refused = await work
  busy.value = false
  trouble.value = refused?.trouble ?? ''
  fields.value = refused?.fields ?? {}
  if (refused) return
  form.passPhrase = form.code = ''
  emit('done')
}
function send() {
  const name = form.name.trim()
  fields.value = {
    ...((!byCode.value || session.first.value) && name.length < 2 && { name: 'Give your name.' }),
    ...(byCode.value && form.code.trim().length < 4 && { code: 'Type the code as it was given.' }),
    ...(form.passPhrase === '' && { passPhrase: 'Type your pass phrase.' }),
    ...(byCode.value &&
      form.passPhrase !== '' &&
      form.passPhrase.length < passPhraseLength.least && {
        passPhrase: `At least ${passPhraseLength.least} characters: four or five words do.`,
      }),
  }
  if (Object.keys(fields.value).length > 0) return
  void come(byCode.value ? session.withCode(form.code, session.first.value ? name : undefined, form.passPhrase) : session.signIn(name, form.passPhrase))
}
</script>

<template>
  <div class="sign-in">
    <template v-if="session.isDemo.value">
      <p class="demo">
        <strong>This is the demo.</strong> Its people and customers are made up. Sign in as one of them with a tap; elsewhere everybody has a pass phrase.
      </p>
      <ul class="made-up" aria-label="People of the demo">
        <li v-for="one in session.demo.value" :key="one.id">
          <button type="button" :disabled="busy" @click="come(session.asDemo(one.id))">
            <span class="who">{{ one.name }}</span> <span class="dim">{{ roleWords[one.role] }}</span>
          </button>
        </li>
      </ul>
    </template>
    <div v-if="(can && !byCode) || (session.isDemo.value && !withPhrase)" class="acts ways">
      <v-btn v-if="can && !byCode" :disabled="busy" @click="come(session.withPasskey())">Sign in with a passkey</v-btn>
      <v-btn v-if="session.isDemo.value && !withPhrase" variant="text" @click="withPhrase = true">With name and pass phrase, or a code</v-btn>
    </div>
    <p v-if="trouble && session.isDemo.value && !withPhrase" role="alert" class="trouble">{{ trouble }}</p>
    <form v-if="!session.isDemo.value || withPhrase" novalidate @submit.prevent="send">
      <p v-if="session.first.value">Nobody can sign in yet. You begin as the owner: the code stands in the terminal in which Dewpoint was started.</p>
      <v-text-field
        v-if="byCode"
        v-model="form.code"
        label="Code"
        maxlength="40"
        autocomplete="one-time-code"
        autocapitalize="characters"
        spellcheck="false"
        class="mono"
        :error-messages="fields.code"
      />
      <v-text-field
        v-if="!byCode || session.first.value"
        v-model="form.name"
        label="Your name"
        maxlength="120"
        autocomplete="username"
        :error-messages="fields.name"
      />
      <v-text-field
        v-model="form.passPhrase"
        :label="byCode ? 'Choose a pass phrase' : 'Pass phrase'"
        :type="shown ? 'text' : 'password'"
        :maxlength="passPhraseLength.most"
        :autocomplete="byCode ? 'new-password' : 'current-password'"
        :aria-describedby="byCode ? 'phrase-rule' : undefined"
        :error-messages="fields.passPhrase"
      />
      <PhraseStrength v-if="byCode" :pass-phrase="form.passPhrase" :name="form.name" />
      <p v-if="byCode" id="phrase-rule" class="dim small">
        At least {{ passPhraseLength.least }} characters. Four or five words that do not belong together are easy to keep and hard to guess.
      </p>
      <label class="show"><input v-model="shown" type="checkbox" /> Show the pass phrase</label>
      <p v-if="trouble" role="alert" class="trouble">{{ trouble }}</p>
      <p v-if="session.away.value" role="status" class="dim">The server does not answer. Signing in needs it.</p>
      <div class="acts">
        <v-btn type="submit" color="primary" variant="flat" :loading="busy">{{ session.first.value ? 'Begin as the owner' : 'Sign in' }}</v-btn>
        <v-btn v-if="!session.first.value" variant="text" @click="withCode = !withCode">
          {{ withCode ? 'I have a pass phrase' : 'I have a code' }}
        </v-btn>
      </div>
      <p v-if="elsewhere && !byCode" class="dim small">
        A passkey signs you in at <a :href="elsewhere">{{ elsewhere }}</a>, where Dewpoint is open by its name.
      </p>
      <p v-if="!byCode" class="dim small">New here, or forgotten? The owner of the firm gives you a code.</p>
    </form>
  </div>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}
p {
  margin: 0;
}
.demo {
  margin-bottom: 12px;
  padding: 10px 14px;
  border-left: 4px solid var(--copper);
  background: var(--wash);
}
.made-up {
  list-style: none;
  display: grid;
  gap: 6px;
  margin: 0 0 12px;
  padding: 0;
}
.made-up button {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  width: 100%;
  min-height: 52px;
  padding: 4px 16px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--sheet);
  color: var(--ink);
  text-align: left;
  cursor: pointer;
}
.made-up button:hover {
  border-color: var(--copper);
}
.who {
  font-weight: 600;
  font-size: 1.0625rem;
}
.show {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 44px;
}
.show input {
  width: 22px;
  height: 22px;
  accent-color: var(--copper);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.ways {
  margin-bottom: 12px;
}
.trouble {
  color: var(--stop);
  font-weight: 600;
}
.small {
  font-size: 0.9375rem;
}
</style>
