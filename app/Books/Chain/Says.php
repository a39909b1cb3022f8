<?php

declare(strict_types=1);

namespace Elmstone\Books\Chain;

use Illuminate\Support\Facades\DB;

/**
 * Everything documents say, as it goes into their digests: head, lines, taxes, tenders, coupons, journal, approvals, what became of the account, of goods and of money held. docs/chain.md
 * gives the shape. Nothing in it can change after posting: names and numbers of today are left out, and whose a deposit or store credit is, which follows a merge.
 */
final class Says
{
    private const HEAD = [
        'kind', 'purpose', 'number', 'label', 'location_id', 'till_id', 'staff_id', 'business_date', 'posted_at', 'customer_id', 'currency', 'tax_included', 'tax_rounding', 'customer_name',
        'slip_discount_percent', 'slip_discount_amount', 'subtotal', 'coupon_discount', 'slip_discount', 'net', 'tax_total', 'total', 'cash_rounding', 'change_given', 'note', 'idempotency_key',
        'purchase_order', 'job', 'buyer', 'exemption', 'due_date', 'terms', 'on_account', 'balance_before', 'settlement_discount', 'fee', 'refers_to_id', 'deposit_change',
        'layaway_change', 'gift_card_change', 'store_credit_change',
    ];

    /** Part: its table, its columns, in what order. */
    private const PARTS = [
        'lines' => ['document_lines', [
            'position', 'direction', 'item_id', 'code', 'description', 'department_id', 'quantity', 'unit', 'unit_price', 'price_per', 'price_rule', 'list_price', 'discount_percent', 'discount_amount',
            'may_discount', 'tax_class', 'gross', 'line_discount', 'coupon_discount', 'slip_discount', 'net', 'tax_total', 'total', 'cost', 'note', 'serials', 'origin_document_id', 'origin_position', 'goods_to', 'reason',
        ], 'position'],
        'line_taxes' => ['document_line_taxes', ['position', 'component', 'amount'], 'position, component'],
        'taxes' => ['document_taxes', ['position', 'component', 'name', 'rate', 'classes', 'on_top_of', 'base', 'amount'], 'position'],
        'tenders' => ['document_tenders', ['position', 'kind', 'amount', 'given', 'reference', 'card_type', 'last_four', 'authorisation'], 'position'],
        'coupons' => ['document_coupons', ['position', 'code', 'description', 'percent', 'amount', 'for_lines', 'least_spend', 'alone', 'taken'], 'position'],
        'journal' => ['journal_lines', ['position', 'account', 'debit', 'credit'], 'position'],
        'account' => ['open_items', ['kind', 'due_date', 'discount_percent', 'discount_until', 'amount'], 'document_id'],
        'goods' => ['stock_movements', ['item_id', 'location_id', 'quantity', 'unit_cost', 'value', 'why'], 'id'],
        'returned' => ['return_shares', ['origin_document_id', 'pool', 'way', 'authorisation', 'amount'], 'id'],
        'layaways' => ['layaway_entries', ['layaway_id', 'kind', 'amount'], 'id'],
        'gift_cards' => ['gift_card_entries', ['gift_card_id', 'amount'], 'id'],
    ];

    /** Columns of whole numbers; the others are texts as they stand. */
    private const WHOLE = [
        'number', 'location_id', 'till_id', 'staff_id', 'customer_id', 'tax_included', 'slip_discount_amount', 'subtotal', 'coupon_discount', 'slip_discount', 'net', 'tax_total', 'total', 'cash_rounding',
        'change_given', 'on_account', 'balance_before', 'settlement_discount', 'fee', 'refers_to_id', 'deposit_change', 'layaway_change', 'gift_card_change', 'store_credit_change', 'position', 'item_id',
        'department_id', 'price_per', 'discount_amount', 'may_discount', 'gross', 'line_discount', 'cost', 'origin_document_id', 'origin_position', 'amount', 'base', 'given', 'least_spend', 'alone', 'taken',
        'debit', 'credit', 'value', 'layaway_id', 'gift_card_id', 'asked_by', 'approved_by',
    ];

    /** Tables whose rows cannot be added to a document that is sealed. */
    public const SEALED = [
        'document_lines', 'document_line_taxes', 'document_taxes', 'document_tenders', 'document_coupons', 'document_approvals', 'journal_lines', 'journal_entries', 'open_items', 'stock_movements', 'return_shares',
        'layaway_entries', 'gift_card_entries',
    ];

    /**
     * @param  array<int>  $documents
     * @return array<int, array<string, mixed>> by document
     */
    public static function of(array $documents): array
    {
        $says = [];

        foreach (DB::table('documents')->whereIn('id', $documents)->get(['id', ...self::HEAD]) as $row) {
            $says[(int) $row->id] = ['head' => self::values((array) $row, self::HEAD)];
        }

        foreach (self::PARTS as $part => [$table, $columns, $order]) {
            foreach (DB::table($table)->whereIn('document_id', $documents)->orderBy('document_id')->orderByRaw($order)->get(['document_id', ...$columns]) as $row) {
                $says[(int) $row->document_id][$part][] = self::values((array) $row, $columns);
            }
        }

        return self::approvals($documents, $says);
    }

    /**
     * @param  array<int>  $documents
     * @param  array<int, array<string, mixed>>  $says
     * @return array<int, array<string, mixed>>
     */
    private static function approvals(array $documents, array $says): array
    {
        $columns = ['place', 'needed', 'what', 'asked_by', 'approved_by', 'detail', 'reason', 'figures'];
        $kept = DB::table('document_approvals as k')->join('approvals as a', 'a.id', '=', 'k.approval_id')->whereIn('k.document_id', $documents)->orderBy('k.approval_id')->orderBy('k.place');

        foreach ($kept->get(['k.document_id', 'k.place', 'k.needed', 'a.what', 'a.asked_by', 'a.approved_by', 'a.detail', 'a.reason', 'a.figures']) as $row) {
            $says[(int) $row->document_id]['approvals'][] = self::values((array) $row, $columns);
        }

        return $says;
    }

    /**
     * @param  array<mixed>  $row
     * @param  list<string>  $columns
     * @return array<string, int|string|null>
     */
    private static function values(array $row, array $columns): array
    {
        static $whole = null;
        $whole ??= array_flip(self::WHOLE);
        $values = [];

        foreach ($columns as $column) {
            $value = $row[$column];
            $values[$column] = ! is_scalar($value) ? null : (isset($whole[$column]) ? (int) $value : (string) $value);
        }

        return $values;
    }
}
