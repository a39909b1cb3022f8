<?php

declare(strict_types=1);

namespace Elmstone\Books\Chain;

use Elmstone\Core\Proof\CanonicalJson;
use Illuminate\Support\Facades\DB;
use PDO;

/**
 * Everything documents say, as it goes into their digests: head, lines, taxes, tenders, coupons, journal, approvals,
 * what became of the account, of goods and of money held. docs/chain.md gives the shape. Nothing in it can change after
 * posting: names and numbers of today are left out, and whose a deposit or store credit is, which follows a merge.
 */
final class Says
{
    private const HEAD = [
        'kind', 'purpose', 'number', 'label', 'location_id', 'till_id', 'session_id', 'staff_id', 'seller_id',
        'business_date', 'posted_at', 'customer_id', 'currency', 'tax_included', 'tax_rounding', 'customer_name',
        'slip_discount_percent', 'slip_discount_amount', 'subtotal', 'coupon_discount', 'slip_discount', 'net',
        'tax_total', 'total', 'cash_rounding', 'change_given', 'note', 'idempotency_key', 'purchase_order', 'job',
        'buyer', 'exemption', 'due_date', 'terms', 'own_terms', 'on_account', 'balance_before', 'settlement_discount',
        'fee', 'refers_to_id', 'supplies',
    ];

    /**
     * Part: its table, its columns, in what order; and the index that finds a document's, where it is not the primary
     * key.
     */
    private const PARTS = [
        'lines' => [
            'document_lines',
            [
                'position', 'direction', 'item_id', 'code', 'description', 'department_id', 'quantity', 'unit',
                'unit_price', 'price_per', 'price_rule', 'list_price', 'discount_percent', 'discount_amount',
                'may_discount', 'tax_class', 'gross', 'line_discount', 'coupon_discount', 'slip_discount', 'net',
                'tax_total', 'total', 'cost', 'note', 'serials', 'origin_document_id', 'origin_position', 'goods_to',
                'reason',
            ],
            'position',
        ],
        'shares' => [
            'document_shares',
            ['position', 'place', 'staff_id', 'percent', 'net', 'rate', 'rate_of', 'commission', 'earned_at'],
            'position, place',
        ],
        'line_taxes' => ['document_line_taxes', ['position', 'component', 'amount'], 'position, component'],
        'taxes' => [
            'document_taxes',
            ['position', 'component', 'name', 'rate', 'classes', 'on_top_of', 'base', 'amount'],
            'position',
        ],
        'tenders' => [
            'document_tenders',
            ['position', 'kind', 'amount', 'given', 'reference', 'card_type', 'last_four', 'authorisation'],
            'position',
        ],
        'coupons' => [
            'document_coupons',
            ['position', 'code', 'description', 'percent', 'amount', 'for_lines', 'least_spend', 'alone', 'taken'],
            'position',
        ],
        'consigned' => ['document_consigned', ['position', 'owner_id', 'percent'], 'position'],
        'journal' => ['journal_lines', ['position', 'account', 'debit', 'credit'], 'position'],
        'account' => [
            'open_items',
            ['kind', 'due_date', 'discount_percent', 'discount_until', 'amount'],
            'document_id',
        ],
        'goods' => [
            'stock_movements',
            ['item_id', 'location_id', 'quantity', 'unit_cost', 'value', 'why'],
            'id',
            'stock_movements_document_id_foreign',
        ],
        'returned' => [
            'return_shares',
            ['origin_document_id', 'pool', 'way', 'authorisation', 'amount'],
            'id',
            'return_shares_document_id_origin_document_id_index',
        ],
        'held' => ['document_held', ['kind', 'amount'], 'kind'],
        'held_by' => [
            'held_entries',
            ['account_id', 'movement', 'kept_for', 'amount'],
            'id',
            'held_entries_document_id_foreign',
        ],
    ];

    /** What of a table is not of the document, though it stands under it: a later merge of customers. */
    private const NOT_OF_IT = ['held_entries' => "movement <> 'merged'"];

    /** Columns of whole numbers; the others are texts as they stand. */
    private const WHOLE = [
        'number', 'location_id', 'till_id', 'session_id', 'staff_id', 'seller_id', 'customer_id', 'tax_included',
        'slip_discount_amount', 'subtotal', 'coupon_discount', 'slip_discount', 'net', 'tax_total', 'total',
        'cash_rounding', 'change_given', 'on_account', 'balance_before', 'settlement_discount', 'fee', 'refers_to_id',
        'position', 'item_id', 'department_id', 'price_per', 'discount_amount', 'may_discount', 'gross',
        'line_discount', 'cost', 'origin_document_id', 'origin_position', 'amount', 'base', 'given', 'least_spend',
        'alone', 'taken', 'place', 'owner_id', 'commission', 'debit', 'credit', 'value', 'account_id', 'asked_by',
        'approved_by',
    ];

    /** Tables whose rows cannot be added to a document that is sealed. */
    public const SEALED = [
        'document_lines', 'document_shares', 'document_line_taxes', 'document_taxes', 'document_tenders',
        'document_coupons', 'document_consigned', 'document_held', 'document_approvals', 'journal_lines',
        'journal_entries', 'open_items', 'stock_movements', 'return_shares', 'held_entries',
    ];

    /** What JSON does not write as it stands: of other ASCII text, nothing. */
    private const UNPLAIN = "\"\\\0\1\2\3\4\5\6\7\10\11\12\13\14\15\16\17"
        ."\20\21\22\23\24\25\26\27\30\31\32\33\34\35\36\37";

    private const APPROVALS = ['place', 'needed', 'what', 'asked_by', 'approved_by', 'detail', 'reason', 'figures'];

    /**
     * Each part written as canonical JSON. Straight from the rows, since a proof asks it of very many.
     *
     * @param  array<int>  $documents
     * @return array<int, array<string, string>> by document and part
     */
    public static function of(array $documents): array
    {
        $says = [];
        $these = $documents === [] ? '0' : implode(', ', array_map(intval(...), $documents));

        foreach (
            self::rows('id', self::HEAD, "documents FORCE INDEX (PRIMARY) WHERE id IN ({$these})") as $document => $head
        ) {
            $says[$document]['head'] = $head;
        }

        // Asked of very many at once, the database would rather read a whole table each time.
        foreach (self::parts($these) as $part) {
            if ($part === 'approvals') {
                self::gather($says, $part, self::approvals($these));

                continue;
            }

            [$table, $columns, $order, $index] = [...self::PARTS[$part], 'PRIMARY'];
            $but = self::NOT_OF_IT[$table] ?? 'TRUE';
            $from = "{$table} FORCE INDEX ({$index}) WHERE document_id IN ({$these}) AND {$but} ORDER BY document_id, "
                .$order;
            self::gather($says, $part, self::rows('document_id', $columns, $from));
        }

        return $says;
    }

    /** @return iterable<int, string> by document */
    private static function approvals(string $these): iterable
    {
        return self::rows(
            'document_id',
            self::APPROVALS,
            'document_approvals k FORCE INDEX (PRIMARY) JOIN approvals a ON a.id = k.approval_id WHERE '
                ."k.document_id IN ({$these}) ORDER BY k.document_id, k.approval_id, k.place",
            ['place' => 'k.place'],
        );
    }

    /** @return array<string> those of which one of the documents has a row, in their order; most documents have few */
    private static function parts(string $these): array
    {
        $parts = [...self::PARTS, 'approvals' => ['document_approvals']];
        $asked = array_map(
            static fn (string $part, array $of): string => "SELECT '{$part}' WHERE EXISTS (SELECT 1 FROM {$of[0]} "
                .'FORCE INDEX ('.($of[3] ?? 'PRIMARY').") WHERE document_id IN ({$these}))",
            array_keys($parts),
            $parts,
        );
        $found = DB::connection()
            ->getPdo()
            ->query(implode(' UNION ALL ', $asked));

        return array_intersect(array_keys($parts), $found === false ? [] : $found->fetchAll(PDO::FETCH_COLUMN));
    }

    /**
     * @param  array<int, array<string, string>>  $says
     * @param  iterable<int, string>  $rows by document
     */
    private static function gather(array &$says, string $part, iterable $rows): void
    {
        $written = [];

        foreach ($rows as $document => $row) {
            $written[$document] = isset($written[$document]) ? "{$written[$document]},{$row}" : $row;
        }

        foreach ($written as $document => $all) {
            $says[$document][$part] = "[{$all}]";
        }
    }

    /**
     * @param  list<string>  $columns
     * @param  array<string, string>  $from where a column's name alone would be two
     * @return iterable<int, string> each row as an object, by document
     */
    private static function rows(string $key, array $columns, string $of, array $from = []): iterable
    {
        sort($columns);
        $whole = array_map(static fn (string $column): bool => in_array($column, self::WHOLE, true), $columns);
        $names = array_map(
            static fn (int $place, string $column): string => ($place === 0 ? '{' : ',')."\"{$column}\":",
            array_keys($columns),
            $columns,
        );
        $select = implode(
            ', ',
            array_map(static fn (string $column): string => $from[$column] ?? "`{$column}`", $columns),
        );
        $rows = DB::connection()
            ->getPdo()
            ->query("SELECT {$key}, {$select} FROM {$of}");

        foreach ($rows === false ? [] : $rows->fetchAll(PDO::FETCH_NUM) as $row) {
            $written = '';

            foreach ($names as $place => $name) {
                $value = $row[$place + 1];

                if ($value === null) {
                    $written .= "{$name}null";
                } elseif ($whole[$place]) {
                    $written .= $name.(int) $value;
                } elseif (
                    strcspn($value = (string) $value, self::UNPLAIN) === strlen($value)
                    && mb_check_encoding($value, 'ASCII')
                ) {
                    $written .= "{$name}\"{$value}\"";
                } else {
                    $written .= $name.CanonicalJson::of($value);
                }
            }

            yield (int) $row[0] => "{$written}}";
        }
    }
}
