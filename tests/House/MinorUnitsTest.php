<?php

declare(strict_types=1);

namespace Elmstone\Tests\House;

use PHPUnit\Framework\TestCase;

/**
 * Money is a value everywhere but where it becomes a column: minor units are taken out of it there only. Each place
 * says why it does.
 */
final class MinorUnitsTest extends TestCase
{
    private const PLACES = [
        'Support/Casts/MoneyCast.php' => 'the column of a model',
        'Support/Casts/MoneyByNameCast.php' => 'a column of several amounts',
        'Support/Database/HouseConnection.php' => 'what a query is asked with',
        'Support/Scale.php' => 'the length of a picture',
        'Support/Casts/MoneyListCast.php' => 'a list of money in a column',
        'Receivables/Accounts/AccountLine.php' => 'a picture of many balances',
        'Books/Drafts/DocumentRows.php' => 'rows of the books, which are sealed as they are written',
        'Receivables/Ledger/Allocations.php' => 'rows of the ledger, which are chained as they are written',
        'Catalogue/StockLedger.php' => 'sums of a column',
        'Stock/ProveInventory.php' => 'held against the sum of a column',
        'Layaways/PortionText.php' => 'terms, which are kept as JSON',
        'Layaways/Pages/TermsRequest.php' => 'terms, which are kept as JSON',
        'Receivables/Statements/StatementPaper.php' => 'a statement, which is kept as JSON',
    ];

    public function test_minor_units_stand_at_the_edge_only(): void
    {
        $this->assertEqualsCanonicalizing(array_keys(self::PLACES), self::taking('app'));
        $this->assertSame([], self::taking('resources/views'));
    }

    /** @return list<string> files that take minor units out of money */
    private static function taking(string $folder): array
    {
        $root = dirname(__DIR__, 2)."/{$folder}";
        $found = [];

        foreach (Sources::of($root) as $path => $source) {
            preg_match('/->minor\b/', $source) === 1 && ($found[] = $path);
        }

        return $found;
    }
}
