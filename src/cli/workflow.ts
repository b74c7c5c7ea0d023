/** Begins the comment, and is found again by it: one comment is kept, whatever others write. */
export const COMMENT_MARK = '<!-- cards of this site -->'

/** Puts the comment there, or replaces the one that is there. */
const COMMENT_STEPS = `id=$(gh api "repos/$REPOSITORY/issues/$NUMBER/comments" --paginate --jq '.[] | select(.body | startswith("${COMMENT_MARK}")) | .id' | head -n 1)
if [ -n "$id" ]; then
  gh api --method PATCH "repos/$REPOSITORY/issues/comments/$id" --field body=@comment.md > comment.json
else
  gh api --method POST "repos/$REPOSITORY/issues/$NUMBER/comments" --field body=@comment.md > comment.json
fi`

/** What the comment says: the report beside the run of main, and where the picture is. */
const WRITE_COMMENT = `{
  echo '${COMMENT_MARK}'
  cat cards.md
  if [ -s changes.md ]; then printf '\\n'; cat changes.md; fi
  if [ -n "$PICTURE" ]; then printf '\\n[Changed cards as a picture](%s)\\n' "$PICTURE"; if [ -s picture.txt ]; then cat picture.txt; fi; fi
} | head -c 60000 > comment.md`

/** Lines of a step, as far in as YAML has them there. */
const within = (script: string) => script.split('\n').join('\n          ')

/**
 * A workflow for pull requests: the verdict, new causes and a picture of the cards that change, in one comment that is
 * kept up to date. A run of main is kept beside it, to know what is new.
 *
 * @param folder where the build writes its pages
 * @param command what runs the command: `npx nimble-parrot`
 */
export const workflow = (folder: string, command = 'npx nimble-parrot') => `name: cards
on:
  pull_request:
  push:
    branches: [main]
permissions:
  actions: read
  contents: read
  pull-requests: write
jobs:
  cards:
    runs-on: ubuntu-latest
    steps:
      - uses: actions/checkout@v4
      - uses: actions/setup-node@v4
        with: { node-version: 20 }
      - run: npm ci && npm run build
      - name: The last run of main, if there is one
        if: github.event_name == 'pull_request'
        env: { GH_TOKEN: "\${{ github.token }}" }
        run: |
          last=$(gh run list --workflow cards --branch main --status success --limit 1 --json databaseId --jq '.[0].databaseId')
          if [ -n "$last" ] && gh run download "$last" --name cards --dir main; then
            echo "SINCE=--baseline main/cards.json" >> "$GITHUB_ENV"
          fi
      - name: Check the cards of every page
        # On main, and where there is nothing to compare with yet, what is found is told and fails nothing: the run
        # becomes the baseline, and a pull request fails for what it adds.
        run: |
          fails=never
          if [ -n "$SINCE" ]; then fails=error; fi
          ${command} check ${folder} $SINCE --fail-on $fails --format text --format json=cards.json --format junit=cards.xml --format markdown=cards.md
      - name: What changed since main, in words and as a picture
        if: always() && env.SINCE != '' && hashFiles('cards.json') != ''
        run: |
          ${command} compare main/cards.json cards.json --format markdown --out changes.md || [ $? -eq 1 ]
          ${command} cards ${folder} --changed-since main/cards.json --out changed-cards.png > picture.txt 2>&1 || true
      - name: The report, on the page of this run
        if: always() && hashFiles('cards.md') != ''
        run: cat cards.md >> "$GITHUB_STEP_SUMMARY"
      - uses: actions/upload-artifact@v4
        if: always()
        with: { name: cards, path: "cards.*" }
      - uses: actions/upload-artifact@v4
        id: picture
        if: always() && hashFiles('changed-cards.png') != ''
        with: { name: changed-cards, path: changed-cards.png }
      - name: One comment, kept up to date
        # A pull request from a fork may not write: its report is in the artifacts.
        if: always() && github.event_name == 'pull_request' && github.event.pull_request.head.repo.full_name == github.repository
        env:
          GH_TOKEN: "\${{ github.token }}"
          REPOSITORY: "\${{ github.repository }}"
          NUMBER: "\${{ github.event.number }}"
          PICTURE: "\${{ steps.picture.outputs.artifact-url }}"
        run: |
          ${within(WRITE_COMMENT)}
          ${within(COMMENT_STEPS)}
`
