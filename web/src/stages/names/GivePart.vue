<script setup lang="ts">
import { useBench } from "../../plan/store";

/** The naming of the house as files that other programs read. */
const bench = useBench();
const FILES = [
  {
    id: "asyncapi",
    name: "Messages, AsyncAPI 3",
    what: "Every topic with its payload as a schema, delivery and who sends it, for documentation and code generators.",
  },
  {
    id: "addresses/csv",
    name: "Address plan, CSV",
    what: "Unit, address, hardware address, node id and host name, a line each, for a spreadsheet or the router's reservations.",
  },
  {
    id: "hosts",
    name: "Hosts file",
    what: "Addresses and names as every system reads them.",
  },
  {
    id: "reservations",
    name: "Reservations for the router",
    what: "The pool and a dhcp-host line for each unit: hardware address, host name, address, time of the loan.",
  },
  {
    id: "access",
    name: "Access list of the broker",
    what: "What each unit may write and read, by its host name as user, and nothing else.",
  },
  {
    id: "controllers/zip",
    name: "All controllers, ZIP",
    what: "For each controller its file, a C header, an environment file and a listing.",
  },
] as const;
</script>

<template>
  <div class="panel-body">
    <p class="quiet">
      Made from the plan as it stands, edit {{ bench.revision }}. They are written only: what comes back into
      the plan is its own file, at All plans.
    </p>
    <ul class="files">
      <li v-for="f in FILES" :key="f.id">
        <a :href="`/api/plans/${bench.id}/names/${f.id}`" download>{{ f.name }}</a>
        <span>{{ f.what }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.files {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 10px;
  max-width: 720px;
}
.files li {
  display: grid;
  grid-template-columns: 210px 1fr;
  gap: 12px;
}
</style>
