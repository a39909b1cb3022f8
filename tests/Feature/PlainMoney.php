<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Illuminate\Support\Facades\DB;

/**
 * What anybody could reckon who keeps every paper that was handed out and the terminal's own journal: what came in and
 * what went out, by original, by way and by authorisation. It knows nothing of approvals, policies, slips or shares; it
 * adds and compares.
 */
final class PlainMoney
{
    private int $seen = 0;

    /**
     * @var array<int, array{
     *     paid: int, ways: array<string, int>, given: int, out: array<string, int>,
     *     pieces: array<int, string>, back: array<int, string>
     * }>
     *     by what was sold
     */
    private array $sold = [];

    /** @var array<string, array{int, int}> what each authorisation brought and what went back to it, by papers */
    private array $cards = [];

    /** @var array<int, true> credit notes on which somebody allowed another way */
    private array $allowed = [];

    /** @var array<string, int> what came back of card surcharges, by the line that said them */
    private array $surcharges = [];

    private PlainOwners $owners;

    public function __construct()
    {
        $this->owners = new PlainOwners;
    }

    /** @return list<string> what cannot be */
    public function read(): array
    {
        $faults = [];

        foreach (DB::table('documents')->where('id', '>', $this->seen)->orderBy('id')->get() as $document) {
            $this->seen = (int) $document->id;
            array_push($faults, ...$this->document($document), ...$this->owners->document($document));
        }

        return [...$faults, ...$this->terminal(), ...$this->owed(), ...$this->balance()];
    }

    /** @return list<string> */
    private function document(object $document): array
    {
        $tenders = DB::table('document_tenders')->where('document_id', $document->id)->get();
        $goesOut = in_array($document->kind, ['credit_note', 'refund'], true)
            || in_array($document->purpose, ['returned_payment', 'receipt_reversed'], true);
        $faults = [];

        foreach ($tenders as $tender) {
            if ($tender->kind === 'card') {
                $this->cards[$tender->authorisation] ??= [0, 0];
                $this->cards[$tender->authorisation][$goesOut ? 1 : 0] += (int) $tender->amount;
                [$in, $out] = $this->cards[$tender->authorisation];
                $out <= $in
                    || ($faults[] = "{$document->label}: {$out} went back to card {$tender->authorisation}, which "
                        ."brought {$in}");
            }
        }

        if ($document->kind === 'invoice' && $document->purpose === 'sale') {
            $this->sells($document, $tenders->all());
        } elseif ($document->kind === 'credit_note' && in_array($document->purpose, ['sale', 'void'], true)) {
            array_push($faults, ...$this->comesBack($document, $tenders->all()));
        }

        return $faults;
    }

    /** @param  list<object>  $tenders */
    private function sells(object $document, array $tenders): void
    {
        $ways = [];

        foreach ($tenders as $tender) {
            $ways[$tender->kind] = ($ways[$tender->kind] ?? 0) + (int) $tender->amount;
        }

        $pieces = DB::table('document_lines')
            ->where('document_id', $document->id)
            ->where('direction', 'out')
            ->pluck('quantity', 'position')
            ->map(static fn (mixed $quantity): string => (string) $quantity)
            ->all();
        $this->sold[(int) $document->id] = [
            'paid' => (int) $document->total,
            'ways' => $ways,
            'given' => 0,
            'out' => [],
            'pieces' => $pieces,
            'back' => [],
        ];
    }

    /**
     * @param  list<object>  $tenders
     * @return list<string>
     */
    private function comesBack(object $document, array $tenders): array
    {
        [$faults, $origins] = [[], []];

        foreach (
            DB::table('document_lines')->where('document_id', $document->id)->whereNotNull('origin_document_id')
                ->get() as $line
        ) {
            $origins[(int) $line->origin_document_id] = true;
            $one = &$this->sold[(int) $line->origin_document_id];
            $one['given'] += (int) $line->total;
            // Money alone brings no pieces back: the surcharge of a card, a price that was wrong.
            $one['back'][$line->origin_position] = bcadd(
                $one['back'][$line->origin_position] ?? '0',
                $line->goods_to === 'none' ? '0' : (string) $line->quantity,
                4,
            );
            array_push($faults, ...$this->surcharge($document, $line));
            $one['given'] <= $one['paid']
                || ($faults[] = "{$document->label}: {$one['given']} was given for what {$one['paid']} was paid for");
            bccomp($one['back'][$line->origin_position], $one['pieces'][$line->origin_position] ?? '0', 4) <= 0
                || ($faults[] = "{$document->label}: more came back of a line than was sold");
            unset($one);
        }

        if (count($origins) === 1) {
            array_push($faults, ...$this->ways($document, (int) array_key_first($origins), $tenders));
        }

        return $faults;
    }

    /**
     * Of a card's surcharge no more comes back than was paid, whatever comes back of the goods.
     *
     * @return list<string>
     */
    private function surcharge(object $document, object $line): array
    {
        if ($line->code !== 'SURCHARGE') {
            return [];
        }

        $key = "{$line->origin_document_id}:{$line->origin_position}";
        $this->surcharges[$key] = ($this->surcharges[$key] ?? 0) + (int) $line->total;
        $paid = (int) DB::table('document_lines')
            ->where('document_id', $line->origin_document_id)
            ->where('position', $line->origin_position)
            ->value('total');

        return $this->surcharges[$key] <= $paid ? [] : [
            "{$document->label}: {$this->surcharges[$key]} came back of a surcharge of {$paid}",
        ];
    }

    /**
     * Money goes back the way it came, unless somebody allowed another; and what is still owed of it is never handed
     * out.
     *
     * @param  list<object>  $tenders
     * @return list<string>
     */
    private function ways(object $document, int $origin, array $tenders): array
    {
        $one = &$this->sold[$origin];
        $faults = [];

        foreach ($tenders as $tender) {
            $one['out'][$tender->kind] = ($one['out'][$tender->kind] ?? 0) + (int) $tender->amount;
        }

        if (
            DB::table('document_approvals')
                ->where('document_id', $document->id)
                ->join('approvals as a', 'a.id', '=', 'approval_id')
                ->whereIn('a.what', ['other_way', 'blind_cash'])
                ->exists()
        ) {
            $this->allowed[$origin] = true;
        }

        foreach (['cash', 'card', 'gift_card'] as $kind) {
            $in = ($one['ways'][$kind] ?? 0)
                + ($one['ways']['layaway_money'] ?? 0)
                + ($kind === 'gift_card' ? $one['paid'] : 0);
            ($one['out'][$kind] ?? 0) <= $in + 4
                || isset($this->allowed[$origin])
                || ($faults[] = "{$document->label}: {$one['out'][$kind]} went out by {$kind}, {$in} came in by it");
        }

        $handed = array_sum(array_diff_key($one['out'], ['house_account' => 0, 'exchange' => 0]));
        $owed = (int) DB::table('open_items')->where('document_id', $origin)->value('open');
        $handed + $owed <= $one['paid'] + 4
            || ($faults[] = "{$document->label}: {$handed} was handed out for {$one['paid']}, of which {$owed} is "
                .'still owed');

        return $faults;
    }

    /** @return list<string> by the terminal's own journal, documents or not */
    private function terminal(): array
    {
        $rows = DB::select("SELECT r.against AS authorisation, CAST(SUM(r.approved) AS SIGNED) AS gave,
                (SELECT CAST(COALESCE(SUM(t.approved), 0) AS SIGNED) FROM terminal_requests t
                    WHERE t.act = 'take' AND t.authorisation = r.against) AS took
            FROM terminal_requests r WHERE r.act = 'refund' GROUP BY r.against HAVING gave > took");

        return array_map(
            static fn (
                object $row,
            ): string => "the terminal gave {$row->gave} back to card {$row->authorisation}, which "
                ."brought {$row->took}",
            $rows,
        );
    }

    /** @return list<string> nothing that is held for others is below zero */
    private function owed(): array
    {
        $faults = [];

        foreach (
            [
                'held_accounts' => 'balance',
            ] as $table => $column
        ) {
            DB::table($table)->where($column, '<', 0)->exists() && ($faults[] = "{$table} below zero");
        }

        return $faults;
    }

    /**
     * Nobody outside has gained: what they paid and owe is what they hold in goods and claims, and the fees.
     *
     * @return list<string>
     */
    private function balance(): array
    {
        $sum = static fn (string $table, string $column): int => (int) DB::table($table)->sum($column);
        $out = "d.kind IN ('credit_note', 'refund') OR "
            ."d.purpose IN ('returned_payment', 'receipt_reversed', 'owner_paid')";
        $money = (int) DB::table('document_tenders as t')
            ->join('documents as d', 'd.id', '=', 't.document_id')
            ->whereIn('t.kind', ['cash', 'card', 'cheque', 'bank_transfer'])
            ->sum(DB::raw("IF({$out}, -t.amount, t.amount)"));
        $rounding = (int) DB::table('documents as d')->sum(DB::raw("IF({$out}, -d.cash_rounding, d.cash_rounding)"));
        $goods = (int) DB::table('documents')->where('kind', 'invoice')->sum('total')
            - (int) DB::table('documents')->where('kind', 'credit_note')->sum(DB::raw('ABS(total)'));
        $fees = (int) DB::table('documents')->where('kind', 'adjustment')
            ->whereNotIn('purpose', ['owner_paid', 'owner_credited'])->sum('fee');
        $given = PlainOwners::given();
        $discounts = (int) DB::table('documents')->sum(
            DB::raw(
                "IF(purpose IN ('discount_back', 'receipt_reversed', 'returned_payment'), -settlement_discount, "
                    .'settlement_discount)',
            ),
        );
        $claims = $sum('held_accounts', 'balance');
        $paid = $money - $rounding + $sum('house_accounts', 'balance') + $discounts;

        return $paid === $goods + $claims + $fees - $given
            ? []
            : [
                "outside, people paid or owe {$paid}, and hold goods for {$goods}, claims for {$claims}, had {$fees} "
                    ."of fees and were given {$given}",
            ];
    }

    /**
     * @return list<string> what our own book of questions and the terminal's journal do not agree about, once every
     *     question has its answer
     */
    public static function questions(): array
    {
        $faults = [];
        $theirs = DB::table('terminal_requests')->get()->keyBy('key');

        foreach (DB::table('card_requests')->get() as $ours) {
            $their = $theirs->get($ours->key);
            $moved = $their !== null && $their->outcome === 'approved' ? (int) $their->approved : 0;
            $said = in_array($ours->state, ['approved'], true) ? (int) $ours->approved : 0;
            $ours->state === 'keyed'
                || $moved === $said
                || ($faults[] = "question {$ours->key} ({$ours->state}): the terminal moved {$moved}, our book "
                    ."says {$said}");
            $theirs->forget($ours->key);
        }

        foreach ($theirs as $their) {
            (int) $their->approved === 0
                || ($faults[] = "the terminal moved {$their->approved} for a question nobody wrote down");
        }

        return $faults;
    }
}
