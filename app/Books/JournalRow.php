<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Collection;

/**
 * @property int $document_id
 * @property int $position
 * @property string $account
 * @property int $debit minor units
 * @property int $credit minor units
 * @property-read Account $named
 */
final class JournalRow extends Record
{
    protected $table = 'journal_lines';

    public $incrementing = false;

    /** @return BelongsTo<Account, $this> */
    public function named(): BelongsTo
    {
        return $this->belongsTo(Account::class, 'account', 'code');
    }

    /**
     * As people read a journal: what is debited, what is credited, and what the goods cost last. Cost is what stands
     * against inventory.
     *
     * @param  Collection<int, self>  $rows
     * @return list<self>
     */
    public static function inNaturalOrder(Collection $rows): array
    {
        $cost = [Accounts::COST_OF_GOODS, Accounts::INVENTORY];
        $sorted = $rows->all();
        usort(
            $sorted,
            static fn (self $one, self $other): int => [
                in_array($one->account, $cost, true),
                $one->debit === 0,
                $one->position,
            ] <=> [in_array($other->account, $cost, true), $other->debit === 0, $other->position],
        );

        return $sorted;
    }
}
