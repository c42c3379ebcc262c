/** The servers the browser tests run against, one a shard; `./test browser` starts them and says where they are. */
export const shards = (): string[] => {
  const told = process.env.SHARDS;
  return told === undefined ? ['no server: run ./test browser'] : (JSON.parse(told) as string[]);
};
