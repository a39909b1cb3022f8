<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Illuminate\Support\Facades\DB;
use LogicException;
use PHPUnit\Framework\Attributes\DataProvider;

/** What watches every test for locks out of order finds them: a watch that sees nothing proves nothing. */
final class LockLadderTest extends FeatureCase
{
    /** @return iterable<string, array{string}> the table whose row is locked before money held */
    public static function owners(): iterable
    {
        yield 'a gift card' => ['gift_cards'];
        yield 'an agreement' => ['agreements'];
    }

    public function test_a_lock_is_not_taken_after_one_of_a_higher_rank(): void
    {
        $this->assertThrows(
            fn () => $this->locks(['items', 'id'], ['customers', 'id']),
            LogicException::class,
            'A lock on customers is taken after one of a higher rank',
        );
    }

    #[DataProvider('owners')]
    public function test_an_account_is_under_the_lock_of_what_it_belongs_to(string $owner): void
    {
        $this->locks([$owner, 'id'], ['held_accounts', 'id']);
    }

    #[DataProvider('owners')]
    public function test_a_customers_own_account_is_locked_before_it(string $owner): void
    {
        $this->locks(['held_accounts', 'customer_id'], [$owner, 'id']);
        $this->assertThrows(
            fn () => $this->locks([$owner, 'id'], ['held_accounts', 'customer_id']),
            LogicException::class,
            'A lock on held_accounts is taken after one of a higher rank',
        );
    }

    /** @param  array{string, string}  ...$locks table, and the column a row is found by; in one transaction */
    private function locks(array ...$locks): void
    {
        DB::transaction(static function () use ($locks): void {
            foreach ($locks as [$table, $by]) {
                DB::table($table)->where($by, 1)->lockForUpdate()->get();
            }
        });
        $this->addToAssertionCount(1);
    }
}
