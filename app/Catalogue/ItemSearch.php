<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Elmstone\Core\Catalogue\Gtin;
use Elmstone\Core\Money\Refused;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** Finds items by code, barcode, or parts of their description with `*` for anything. */
final class ItemSearch
{
    /** How many words a part may stand for before the rest is left out. */
    private const WORDS_PER_PART = 400;

    /** How many times as many matches as are shown are put in order. */
    private const CANDIDATES = 6;

    /** The item that a scan or a code names exactly, on sale or not. */
    public function exact(string $text): ?Item
    {
        $byCode = preg_match('/^[!-~]{1,24}$/D', $text) === 1 ? self::named('code', $text) : null;

        return $byCode
            ?? $this->byBarcode(preg_replace('/[\s-]+/', '', $text) ?? '')
            ?? $this->byPlainCode($text);
    }

    /** The one of a code or barcode. Most have neither quantity prices nor promotions: it is said with the item. */
    private static function named(string $column, string $value): ?Item
    {
        $item = Item::query()
            ->select('items.*')
            ->selectRaw('EXISTS (SELECT 1 FROM quantity_breaks WHERE item_id = items.id) AS has_breaks')
            ->selectRaw('EXISTS (SELECT 1 FROM promotions WHERE item_id = items.id) AS has_promotions')
            ->where($column, $value)
            ->first();

        if ($item !== null) {
            (int) $item->getAttribute('has_breaks') === 1 || $item->setRelation('breaks', new Collection);
            (int) $item->getAttribute('has_promotions') === 1 || $item->setRelation('promotions', new Collection);
        }

        return $item;
    }

    /** Without the hyphens and dots of a code, where that names just one. */
    private function byPlainCode(string $text): ?Item
    {
        if (preg_match('/^[A-Za-z0-9][A-Za-z0-9 .\/-]{1,23}$/D', $text) !== 1) {
            return null;
        }

        $found = Item::query()
            ->where('code_plain', preg_replace('/[^A-Za-z0-9]/', '', $text))
            ->limit(2)
            ->get();

        return $found->count() === 1 ? $found->first() : null;
    }

    /**
     * @param  int  $department only of that one; 0: of all
     * @return Collection<int, Item> items on sale, code matches first, then by description
     */
    public function find(string $text, int $limit, bool $alsoInactive = false, int $department = 0): Collection
    {
        $ids = $this->ids($text, $limit);

        return $ids === []
            ? new Collection
            : Item::query()
                ->with(['breaks', 'promotions', 'stock.location'])
                ->whereIn('id', array_unique($ids))
                ->when($department > 0, static fn ($query) => $query->where('department_id', $department))
                ->when(! $alsoInactive, static fn ($query) => $query->where('active', true))
                ->orderByRaw('active DESC, code LIKE ? DESC, description, code', [self::likeStart($text)])
                ->limit($limit)
                ->get();
    }

    /**
     * What may be meant, by department.
     *
     * @return list<object> id, name, and how many items, those with most first
     */
    public function departments(string $text, int $limit): array
    {
        $ids = mb_strlen($text) < 2 ? [] : $this->ids($text, $limit);

        return $ids === []
            ? []
            : array_values(
                DB::table('items as i')
                    ->join('departments as d', 'd.id', '=', 'i.department_id')
                    ->whereIn('i.id', $ids)
                    ->groupBy('d.id', 'd.name')
                    ->orderByRaw('COUNT(*) DESC, d.name')
                    ->selectRaw('d.id, d.name, COUNT(*) AS items')
                    ->get()
                    ->all(),
            );
    }

    /** @return list<int> ids of what may be meant, in no order */
    public function ids(string $text, int $limit): array
    {
        return array_values(
            array_unique([...$this->byCodeStart($text, $limit), ...$this->byWords($text, $limit * self::CANDIDATES)]),
        );
    }

    private function byBarcode(string $text): ?Item
    {
        try {
            return self::named('gtin', Gtin::of($text)->asFourteen());
        } catch (Refused) {
            return null;
        }
    }

    /** @return list<int> */
    private function byCodeStart(string $text, int $limit): array
    {
        return preg_match('/^[!-~]+$/D', $text) !== 1
            ? []
            : self::ints(
                Item::query()->where('code', 'like', self::likeStart($text))->limit($limit)->pluck('id')->all(),
            );
    }

    /** @return list<int> items that have, for every part typed, a word with that part in it */
    private function byWords(string $text, int $most): array
    {
        $sets = [];

        foreach ($this->parts($text) as [$part, $pattern]) {
            $words = $this->words($part, $pattern);

            if ($words === []) {
                return [];
            }

            $sets[] = $words;
        }

        return $sets === [] ? [] : $this->inAll($sets, $most);
    }

    /**
     * A single letter or digit is first taken for a word of its own: what starts with it would be half of everything.
     *
     * @return array<mixed> ids
     */
    private function words(string $part, string $pattern): array
    {
        $alone = mb_strlen($part) === 1 && ! str_starts_with($pattern, '%')
                ? DB::table('words')->where('word', $part)->pluck('id')->all()
                : [];

        return $alone !== []
            ? $alone
            : DB::table('words')
                ->where('word', 'like', $pattern)
                ->orderByRaw('word LIKE ? DESC', ["{$part}%"])
                ->limit(self::WORDS_PER_PART)
                ->pluck('id')
                ->all();
    }

    /**
     * @param  non-empty-list<array<mixed>>  $sets word ids, one set for each part
     * @return list<int>
     */
    private function inAll(array $sets, int $most): array
    {
        usort($sets, static fn (array $a, array $b): int => count($a) <=> count($b));
        $query = DB::table('item_words as w0')->whereIn('w0.word_id', $sets[0]);

        foreach (array_slice($sets, 1) as $i => $words) {
            $at = 'w'.($i + 1);
            $query->join("item_words as {$at}", "{$at}.item_id", '=', 'w0.item_id')->whereIn("{$at}.word_id", $words);
        }

        // Plain joins and no DISTINCT: the database begins with the rarest word and stops as soon as enough are found.
        return self::ints(array_unique($query->limit($most)->select('w0.item_id')->pluck('item_id')->all()));
    }

    /**
     * Every part typed, and the pattern a word must have: a part starts a word, unless a `*` stands before it.
     *
     * @return list<array{string, string}>
     */
    private function parts(string $text): array
    {
        $parts = [];

        foreach (preg_split('/\s+/', trim($text)) ?: [] as $token) {
            foreach (explode('*', $token) as $i => $piece) {
                foreach (Words::in($piece) as $part) {
                    $parts[] = [$part, ($i > 0 ? '%' : '').addcslashes($part, '%_\\').'%'];
                }
            }
        }

        return array_slice($parts, 0, 6);
    }

    private static function likeStart(string $text): string
    {
        return str_replace('*', '%', addcslashes(preg_replace('/[^\x21-\x7e]/', '', $text) ?? '', '%_\\')).'%';
    }

    /**
     * @param  array<mixed>  $ids
     * @return list<int>
     */
    private static function ints(array $ids): array
    {
        return array_map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0, array_values($ids));
    }
}
