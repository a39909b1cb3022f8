<?php

declare(strict_types=1);

namespace Elmstone\Books\Pages;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\HeldKind;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Scale;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/**
 * For a document, what it came from and what came of it, as a small graph from left to right; the thicker the line, the
 * more money went that way.
 */
final readonly class PaperTrail
{
    private const BOX = 168;

    private const GAP = 84;

    private const ROW = 50;

    private const MOST = 6;

    public function __construct(private Document $document)
    {
    }

    /** Nothing where the document stands alone. */
    public function svg(): string
    {
        [$before, $after] = [$this->before(), $this->after()];

        if ($before === [] && $after === []) {
            return '';
        }

        $rows = max(1, count($before), count($after));
        $height = $rows * self::ROW;
        $columns = $before === [] ? 1 : 2;
        $mine = ($columns - 1) * (self::BOX + self::GAP);
        $middle = intdiv($height, 2);
        $body = '';

        foreach ($before as $row => $link) {
            $y = self::place($row, count($before), $height);
            $body .= $this->line(self::BOX, $y, $mine, $middle, $link['amount']).$this->box(0, $y, $link);
        }

        foreach ($after as $row => $link) {
            $y = self::place($row, count($after), $height);
            $body
                .= $this->line($mine + self::BOX, $middle, $mine + self::BOX + self::GAP, $y, $link['amount'])
                .$this->box($mine + self::BOX + self::GAP, $y, $link);
        }

        $body .= $this->box(
            $mine,
            $middle,
            [
                'label' => $this->document->label,
                'words' => $this->document->title(),
                'amount' => $this->document->none(),
            ],
            true,
        );
        $width = $mine + self::BOX + ($after === [] ? 0 : self::GAP + self::BOX);

        return sprintf(
            '<svg class="trail-svg" viewBox="0 0 %1$d %2$d" width="%1$d" height="%2$d" role="group" aria-label="Paper '
                .'trail of %3$s">%4$s</svg>',
            $width + 2,
            $height,
            e($this->document->label),
            $body,
        );
    }

    /**
     * @return list<array{label: string, words: string, amount: Money}> what it came from: what it takes back, and what
     *     pays it
     */
    private function before(): array
    {
        $links = [];

        if ($this->document->refersTo !== null) {
            $links[] = [
                'label' => $this->document->refersTo->label,
                'words' => $this->document->refersTo->title(),
                'amount' => $this->document->none(),
            ];
        }

        array_push($links, ...$this->linked('l.document_id', 'l.origin_document_id'));
        array_push($links, ...$this->broughtBack());
        array_push($links, ...$this->onAgreement()->isNegative() ? $this->ofAgreement('>', 'Payment') : []);

        return $this->document->on_account->isPositive()
            ? [
                ...$links,
                ...array_filter(
                    $this->set('charge_id', 'credit_id'),
                    fn (array $link): bool => $link['label'] !== $this->document->refersTo?->label,
                ),
            ]
            : $links;
    }

    /**
     * @return list<array{label: string, words: string, amount: Money}> what came of it: what it paid, and what takes it
     *     back
     */
    private function after(): array
    {
        $links = Document::query()
            ->where('refers_to_id', $this->document->id)
            ->limit(self::MOST)
            ->get()
            ->map(
                fn (Document $document): array => [
                    'label' => $document->label,
                    'words' => $document->title(),
                    'amount' => $this->document->none(),
                ],
            )
            ->all();
        array_push($links, ...$this->linked('l.origin_document_id', 'l.document_id'), ...$this->exchanged());
        $links = array_values(array_column($links, null, 'label'));
        array_push($links, ...$this->onAgreement()->isPositive() ? $this->ofAgreement('<', '') : []);
        $taken = array_column($links, 'label');

        return array_values([
            ...$links,
            ...$this->document->on_account->isNegative()
                ? array_filter(
                    $this->set('credit_id', 'charge_id'),
                    static fn (array $link): bool => ! in_array($link['label'], $taken, true),
                )
                : [],
        ]);
    }

    /**
     * By lines that came back: where from, and what of it.
     *
     * @return list<array{label: string, words: string, amount: Money}>
     */
    private function linked(string $mine, string $other): array
    {
        $rows = DB::table('document_lines as l')
            ->join('documents as d', 'd.id', '=', $other)
            ->where($mine, $this->document->id)
            ->whereNotNull('l.origin_document_id')
            ->when(
                $this->document->refers_to_id !== null,
                fn ($query) => $query->where('d.id', '<>', $this->document->refers_to_id),
            )
            ->groupBy('d.id', 'd.label', 'd.kind', 'd.purpose')
            ->orderBy('d.id')
            ->limit(self::MOST)
            ->selectRaw('d.label, d.kind, d.purpose, SUM(l.total) AS amount')
            ->get();

        return array_values(
            $rows
                ->map(
                    static fn (object $row): array => [
                        'label' => (string) $row->label,
                        'words' => Purpose::from((string) $row->purpose)->title(
                            DocumentKind::from((string) $row->kind),
                        ),
                        'amount' => MoneyCast::read($row->amount),
                    ],
                )
                ->all(),
        );
    }

    /** @return list<array{label: string, words: string, amount: Money}> the goods brought back that paid for it */
    private function broughtBack(): array
    {
        $amount = $this->document->paidBy(TenderKind::Exchange);
        $label = $amount->isZero() || $this->document->kind === DocumentKind::CreditNote
                ? null
                : DB::table('slips as s')
                    ->join('documents as d', 'd.id', '=', 's.credit_note_id')
                    ->where(
                        fn ($query) => $query
                            ->where('s.document_id', $this->document->id)
                            ->orWhere('s.receipt_id', $this->document->id),
                    )
                    ->value('d.label');

        return is_string($label) ? [['label' => $label, 'words' => 'Goods brought back', 'amount' => $amount]] : [];
    }

    /**
     * @return list<array{label: string, words: string, amount: Money}> what went out with goods that came back on the
     *     same slip
     */
    private function exchanged(): array
    {
        $amount = $this->document->paidBy(TenderKind::Exchange);

        if ($amount->isZero() || $this->document->kind !== DocumentKind::CreditNote) {
            return [];
        }

        $labels = DB::table('slips as s')
            ->join(
                'documents as d',
                static fn ($join) => $join->on('d.id', '=', 's.document_id')->orOn('d.id', '=', 's.receipt_id'),
            )
            ->where('s.credit_note_id', $this->document->id)
            ->where('d.id', '<>', $this->document->id)
            ->pluck('d.label');

        return array_values(
            $labels
                ->map(
                    static fn (mixed $label): array => [
                        'label' => (string) $label,
                        'words' => 'Taken along',
                        'amount' => $amount,
                    ],
                )
                ->all(),
        );
    }

    /**
     * What else moved money of the same layaways.
     *
     * @param  string  $sign of the amounts wanted: ">" came in, "<" left
     * @return list<array{label: string, words: string, amount: Money}>
     */
    private function ofAgreement(string $sign, string $words): array
    {
        $rows = DB::table('held_entries as e')
            ->join('documents as d', 'd.id', '=', 'e.document_id')
            ->where('e.amount', $sign, 0)
            ->where('d.id', '<>', $this->document->id)
            ->whereIn(
                'e.account_id',
                DB::table('held_entries as own')
                    ->join('held_accounts as a', 'a.id', '=', 'own.account_id')
                    ->where('own.document_id', $this->document->id)
                    ->whereIn('a.kind', [HeldKind::Layaway->value, HeldKind::Order->value])
                    ->select('own.account_id'),
            )
            ->orderBy('e.id')
            ->limit(self::MOST)
            ->get(['d.label', 'd.kind', 'd.purpose', 'e.amount']);

        return array_values(
            $rows
                ->map(
                    static fn (object $row): array => [
                        'label' => (string) $row->label,
                        'words' => $words !== ''
                                ? $words
                                : Purpose::from((string) $row->purpose)->title(DocumentKind::from((string) $row->kind)),
                        'amount' => MoneyCast::read($row->amount)->abs(),
                    ],
                )
                ->all(),
        );
    }

    /** @return list<array{label: string, words: string, amount: Money}> */
    private function set(string $mine, string $other): array
    {
        $rows = DB::table('allocations as a')
            ->join('documents as d', 'd.id', '=', "a.{$other}")
            ->where("a.{$mine}", $this->document->id)
            ->groupBy('d.id', 'd.label', 'd.kind', 'd.purpose')
            ->havingRaw('SUM(a.amount) > 0')
            ->orderBy('d.id')
            ->selectRaw('d.label, d.kind, d.purpose, SUM(a.amount) AS amount')
            ->get();
        $links = $rows
            ->take(self::MOST)
            ->map(
                static fn (object $row): array => [
                    'label' => (string) $row->label,
                    'words' => Purpose::from((string) $row->purpose)->title(DocumentKind::from((string) $row->kind)),
                    'amount' => MoneyCast::read($row->amount),
                ],
            )
            ->all();

        return array_values(
            $rows->count() <= self::MOST
                ? $links
                : [
                    ...$links,
                    [
                        'label' => '',
                        'words' => 'and '.($rows->count() - self::MOST).' more',
                        'amount' => MoneyCast::read($rows->skip(self::MOST)->sum('amount')),
                    ],
                ],
        );
    }

    /** @param  array{label: string, words: string, amount: Money}  $link */
    private function box(int $x, int $y, array $link, bool $isMine = false): string
    {
        $money = $link['amount']->isZero() ? '' : ' '.Show::money($link['amount']);
        $box = sprintf(
            '<rect x="%d.5" y="%d.5" width="%d" height="38" rx="3" fill="%s" stroke="%s"/>',
            $x,
            $y - 19,
            self::BOX - 1,
            $isMine ? '#e3ecea' : '#fdfcf9',
            $isMine ? '#1e6a6c' : '#d8d2c6',
        );
        $box .= sprintf(
            '<text x="%d" y="%d" class="code">%s</text><text x="%1$d" y="%4$d" class="small">%5$s</text>',
            $x + 10,
            $y - 3,
            e($link['label']),
            $y + 13,
            e($link['words'].$money),
        );

        return $isMine || $link['label'] === ''
            ? $box
            : sprintf('<a href="%s">%s</a>', e(route('documents.show', $link['label'])), $box);
    }

    /** What it did to what is paid on layaways and orders. */
    private function onAgreement(): Money
    {
        return $this->document->held(HeldKind::Layaway)->plus($this->document->held(HeldKind::Order));
    }

    private function line(int $x1, int $y1, int $x2, int $y2, Money $amount): string
    {
        $whole = Money::max(
            Money::max($this->document->total->abs(), $this->document->on_account->abs()),
            $this->onAgreement()->abs(),
        );
        $thick = max(2, min(14, Scale::of(14, $amount, $whole)));
        $middle = intdiv($x1 + $x2, 2);

        return sprintf(
            '<path d="M%1$d %2$d C%5$d %2$d %5$d %4$d %3$d %4$d" fill="none" stroke="#bab1a4" stroke-width="%6$d"/>',
            $x1, $y1, $x2, $y2, $middle, $thick,
        );
    }

    private static function place(int $row, int $count, int $height): int
    {
        return intdiv($height, 2) + intdiv((2 * $row - ($count - 1)) * self::ROW, 2);
    }
}
