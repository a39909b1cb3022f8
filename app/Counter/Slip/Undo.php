<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Customers\Customer;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/**
 * What was done to a slip and can be taken back, the last first: a line removed or changed, the whole-slip discount,
 * the customer. What was added since stays.
 */
final class Undo
{
    private const MOST = 20;

    /** The columns of a line, as they are copied out of the way and back. */
    private const LINE = [
        'position', 'item_id', 'code', 'description', 'department_id', 'quantity', 'unit', 'unit_price', 'price_per',
        'price_rule', 'list_price', 'discount_percent', 'discount_amount', 'may_discount', 'tax_class',
        'price_source', 'floor_price', 'cost', 'note', 'standing_discount', 'serials', 'sharing_id', 'way', 'from_id',
        'aside', 'owner_id', 'owner_percent',
    ];

    public function __construct(private readonly SlipDesk $desk, private readonly PutCustomer $put)
    {
    }

    /** Before a line is removed or changed, within the change. */
    public static function line(Slip $slip, LineOnSlip $line, string $did): void
    {
        $undo = self::remember($slip, 'line', "{$did} {$line->description}", []);
        $slip->changedAfterCard("{$did} ".Show::decimal($line->quantity)." × {$line->description}");
        DB::table('slip_lines_before')->insertUsing(
            ['undo_id', 'line_id', ...self::LINE],
            DB::table('slip_lines')->where('id', $line->id)->selectRaw('?, id, '.implode(', ', self::LINE), [$undo]),
        );
    }

    /** Before another customer, or none, comes on it. */
    public static function customer(Slip $slip): void
    {
        self::remember(
            $slip,
            'customer',
            $slip->customer_id === null ? 'a customer put on it' : "it was {$slip->customer_name}’s slip",
            [
                'customer_id' => $slip->customer_id,
                'contact_id' => $slip->contact_id,
                'purchase_order' => $slip->purchase_order,
                'job' => $slip->job,
            ],
        );
    }

    /** Before something else comes off the whole slip. */
    public static function discount(Slip $slip): void
    {
        self::remember($slip, 'discount', 'discount on the whole slip', [
            'discount_percent' => $slip->getRawOriginal('discount_percent'),
            'discount_amount' => $slip->getRawOriginal('discount_amount'),
        ]);
    }

    /** @throws Refused nothing_to_undo, and what the customer's return to it refuses */
    public function handle(string $slipKey, Act $act): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip): void {
            $undo = DB::table('slip_undos')->where('slip_id', $slip->id)->orderByDesc('id')->first()
                ?? throw Refused::because('nothing_to_undo', 'There is nothing to take back on this slip.');
            match ((string) $undo->kind) {
                'line' => $this->lineBack($slip, (int) $undo->id),
                'customer' => $this->customerBack($slip, $undo),
                default => $slip->setRawAttributes([
                    ...$slip->getAttributes(),
                    'discount_percent' => $undo->discount_percent,
                    'discount_amount' => $undo->discount_amount,
                ]),
            };
            (string) $undo->kind === 'line' && $slip->changedAfterCard("took back: {$undo->words}");
            DB::table('slip_undos')->where('id', $undo->id)->delete();
            $before = DB::table('slip_undos')->where('slip_id', $slip->id)->orderByDesc('id')->value('words');
            $slip->undo = is_string($before) ? $before : '';
        });
    }

    private function lineBack(Slip $slip, int $undo): void
    {
        $line = (int) DB::table('slip_lines_before')->where('undo_id', $undo)->value('line_id');
        $slip->lines()->whereKey($line)->delete();
        DB::table('slip_lines')->insertUsing(
            ['id', 'slip_id', ...self::LINE],
            DB::table('slip_lines_before')
                ->where('undo_id', $undo)
                ->selectRaw('line_id, ?, '.implode(', ', self::LINE), [$slip->id]),
        );
    }

    private function customerBack(Slip $slip, object $undo): void
    {
        $customer = ($undo->customer_id ?? null) === null ? null
            : Customer::query()->whereKey($undo->customer_id)->first();
        $this->put->place($slip, $customer);
        $slip->forceFill([
            'contact_id' => $customer === null ? null : $undo->contact_id ?? null,
            'purchase_order' => $undo->purchase_order ?? '',
            'job' => $undo->job ?? '',
        ]);
    }

    /** @param  array<string, mixed>  $before */
    private static function remember(Slip $slip, string $kind, string $words, array $before): int
    {
        $words = mb_substr($words, 0, 120);
        $undo = DB::table('slip_undos')->insertGetId([
            'slip_id' => $slip->id,
            'kind' => $kind,
            'words' => $words,
            ...$before,
        ]);
        $old = DB::table('slip_undos')
            ->where('slip_id', $slip->id)
            ->orderByDesc('id')
            ->skip(self::MOST)
            ->limit(self::MOST)
            ->pluck('id');
        $old->isEmpty() || DB::table('slip_undos')->whereIn('id', $old)->delete();
        $slip->undo = $words;

        return $undo;
    }
}
