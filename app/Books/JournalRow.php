<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Collection;

/**
 * @property int $document_id
 * @property int $position
 * @property string $account
 * @property Money $debit
 * @property Money $credit
 * @property-read Account $named
 */
final class JournalRow extends Record
{
    protected $table = 'journal_lines';

    protected $casts = [
        'debit' => MoneyCast::class,
        'credit' => MoneyCast::class,
    ];

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
                $one->debit->isZero(),
                $one->position,
            ] <=> [in_array($other->account, $cost, true), $other->debit->isZero(), $other->position],
        );

        return $sorted;
    }
}
