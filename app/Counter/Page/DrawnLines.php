<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Stock;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;

/**
 * Which lines a page shows already just as they stand now, so that a long slip is not drawn and sent again for every
 * line that comes to it. The page says what it shows by a digest of all that a line's row is drawn from.
 */
final class DrawnLines
{
    /** @var array<int, string> digests by line */
    private array $digests = [];

    /**
     * @param  array<int, string>  $seen digests by line, as the page says
     * @param  Collection<int, Stock>  $stock by item
     * @param  array<int, list<object>>  $setAside by item
     * @param  array<string, string>  $letters by tax class
     * @param  int|null  $fresh the line that was just added or changed
     */
    private function __construct(
        private readonly array $seen,
        private readonly ReckonedCounter $reckoned,
        private readonly Complaint $complaint,
        private readonly Collection $stock,
        private readonly array $setAside,
        private readonly array $letters,
        private readonly ?int $fresh,
    ) {
    }

    /**
     * @param  Collection<int, Stock>  $stock
     * @param  array<int, list<object>>  $setAside
     * @param  array<string, string>  $letters
     */
    public static function on(
        Request $request,
        ReckonedCounter $reckoned,
        Complaint $complaint,
        Collection $stock,
        array $setAside,
        array $letters,
        ?int $fresh,
    ): self {
        $seen = [];

        foreach (explode(',', $request->string('drawn')->value()) as $one) {
            [$line, $digest] = [...explode(':', $one, 2), ''];
            $seen[(int) $line] = $digest;
        }

        return new self($seen, $reckoned, $complaint, $stock, $setAside, $letters, $fresh);
    }

    public function isSame(LineOnSlip $line): bool
    {
        return ($this->seen[$line->id] ?? '') === $this->digest($line) && $this->isPlain($line);
    }

    /** What the row is known by on the page; nothing when it says what must not outlast the next act. */
    public function mark(LineOnSlip $line): string
    {
        return $this->isPlain($line) ? $this->digest($line) : '';
    }

    /** @return list<Item> what goes with it and is not on the slip yet */
    public function offered(LineOnSlip $line): array
    {
        return $line->item?->relationLoaded('belongings') !== true
            ? []
            : array_values($line->item->belongings
                ->reject(fn (Item $item): bool => $this->reckoned->slip->lines->contains('item_id', $item->id))
                ->all());
    }

    /** Nothing is wrong with it, and nobody has to agree to it. */
    private function isPlain(LineOnSlip $line): bool
    {
        if ($this->reckoned->needs->all() === [] && ! $this->complaint->exists()) {
            return true;
        }

        $place = "line.{$line->id}";

        return ! $this->complaint->within($place)
            && ! $this->reckoned->needs->isAsked($place)
            && ! $this->reckoned->needs->isAsked("{$place}.committed");
    }

    private function digest(LineOnSlip $line): string
    {
        return $this->digests[$line->id] ??= hash('xxh64', serialize([
            // As it stands in its row: values need not be written out again for it.
            $line->getRawOriginal(),
            $this->figures($line),
            self::written($line->item, 'list_price', 'active', 'has_serials', 'clerk_words'),
            self::written($this->stock->get($line->item_id), 'on_hand', 'committed'),
            $this->setAside[$line->item_id] ?? [],
            $this->letters[$line->tax_class] ?? '',
            $this->fresh === $line->id,
            $this->reckoned->slip->isDone(),
            array_column($this->offered($line), 'id'),
        ]));
    }

    /** @return list<mixed> */
    private static function written(?Record $row, string ...$columns): array
    {
        return $row === null
            ? []
            : array_values(array_intersect_key((array) $row->getRawOriginal(), array_flip($columns)));
    }

    /** @return list<string> */
    private function figures(LineOnSlip $line): array
    {
        $reckoned = $this->reckoned->line($line);

        return [$reckoned->gross->toString(), $reckoned->lineDiscount->toString()];
    }
}
