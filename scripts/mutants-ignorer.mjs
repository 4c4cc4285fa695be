import { declareValuePlugin, PluginKind } from "@stryker-mutator/api/plugin";

/** What a rule says of itself and shows as examples is data that the tests are made of: changing it changes the question. */
const DATA = new Set(["examples", "meta"]);

export const strykerPlugins = [
  declareValuePlugin(PluginKind.Ignore, "data-of-rules", {
    shouldIgnore(path) {
      return path.isObjectProperty() && DATA.has(path.node.key.name)
        ? "what a rule says of itself, and its examples, are data"
        : undefined;
    },
  }),
];
