<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Cards\CardState;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Customers\Customer;
use Elmstone\Devices\Simulated\DeviceState;
use Elmstone\KeptCards\CardOnFile;
use Elmstone\Paper\Payable;
use Elmstone\PayLinks\OnlineTill;
use Elmstone\PayLinks\PayLink;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * The greedy at the newer ways of paying: cards on file of others and removed ones, surcharges let off or left behind,
 * links used twice, forged, with more and after they ran out, takings entered again with a row changed.
 */
trait GreedyWays
{
    /** @var list<array<string, string>> rows of takings that were entered */
    private array $entered = [];

    /** What the shop asks of cards, how links hold, and from which amount somebody signs. */
    private function newWays(): void
    {
        $this->as('901');

        foreach (
            [
                '/surcharges/1' => [
                    'place' => '1', 'words' => 'Cards cost more.', 'class' => 'standard', 'most' => '3',
                    'credit_percent' => '2.5', 'credit_cap' => '3',
                ],
                '/surcharges/signatures' => ['sign_over' => '90', 'print_signatures' => '1'],
                '/link-payments/terms' => ['links_on' => '1', 'links_may_less' => '1', 'link_days' => '30'],
            ] as $path => $fields
        ) {
            $this->post($path, $fields)->assertSessionHasNoErrors();
        }
    }

    /** A card that was read is asked, or let off, or forgotten; who pays signs, or does not. */
    private function confirms(): void
    {
        $slip = Slip::query()->where('key', $this->slip)->first()?->load('cards');

        foreach ($slip?->cards->where('state', CardState::Read) ?? [] as $card) {
            match ($this->chance->getInt(0, 7)) {
                0 => $this->try("card/{$card->id}/confirm", ['off' => '1']),
                1 => $this->try("card/{$card->id}/confirm", ['off' => '1', ...$this->allowed()]),
                2 => $this->try("card/{$card->id}/give-back"),
                3 => null,
                default => $this->try("card/{$card->id}/confirm"),
            };
        }

        $this->chance->getInt(0, 4) === 0 || $this->does('signature/paper');
    }

    private function keepsCard(): void
    {
        $customer = $this->pick($this->people);
        $this->office("/customers/{$customer->number}/cards", ['consent' => $this->pick(['in_person', 'paper', ''])]);
    }

    private function anyKept(): ?CardOnFile
    {
        $ids = DB::table('cards_on_file')->orderBy('id')->pluck('id')->all();

        return $ids === [] ? null : CardOnFile::query()->find($this->pick(array_values($ids)));
    }

    /** Anybody's card pays for anybody; no document may say that it did. */
    private function paysOnFile(): void
    {
        $card = $this->anyKept();
        $this->goods(1);
        $this->try('customer', ['customer' => $this->pick($this->people)->id]);

        if ($card !== null) {
            $this->chance->getInt(0, 5) === 0 && $this->office(
                '/customers/'.Customer::query()->findOrFail($card->customer_id)->number."/cards/{$card->id}/remove",
                [],
            );
            $this->try('card-on-file', [
                'on_file' => (string) $card->id, 'absent' => '1', 'postcode' => $this->pick(['04417', '1', '']),
                'number' => '12',
            ]);
            $this->chance->getInt(0, 3) === 0
                && $this->try('customer', ['customer' => $this->pick($this->people)->id]);
        }

        $this->posts();
        $other = DB::table('card_requests as r')
            ->join('cards_on_file as f', 'f.id', '=', 'r.on_file_id')
            ->join('documents as d', 'd.id', '=', 'r.document_id')
            ->whereColumn('f.customer_id', '<>', 'd.customer_id')
            ->exists();
        $this->assertFalse($other, 'A card on file has paid for somebody else.');
    }

    /** By a link: once more than asked, twice, forged, or after it ran out. */
    private function paysByLink(): void
    {
        $item = DB::table('open_items')->where('kind', 'charge')->orderByDesc('open')->limit(5)->get()->all();
        $one = $item === [] ? null : $this->pick(array_values($item));

        if ($one === null) {
            return;
        }

        $asks = number_format((int) $one->amount / 100, 2, '.', '');
        $code = PayLink::of(
            $this->pick([Payable::Invoice, Payable::Invoice, Payable::Account]),
            (int) $one->document_id,
            Money::of($asks, Currency::of('USD')),
            CarbonImmutable::today()->addDays($this->pick([30, 30, 30, -1])),
        )->code(app(House::class));
        $this->chance->getInt(0, 3) > 0 || DeviceState::write(app(OnlineTill::class)->at(1), 'terminal', [
            'mood' => $this->pick(['decline', 'silent_approve', 'silent_decline', 'partial', 'approve']),
        ]);
        Auth::logout();
        $this->flushSession();

        foreach ([1, 2, 3] as $ignored) {
            $this->travel(7)->seconds();
            $this->went($this->post('/pay/'.$this->pick([$code, $code, "{$code}x"]), [
                'amount' => $this->pick(['', '', '1.00', '99999', '-5']),
            ]));
            $this->went($this->get("/pay/{$code}"));
        }
    }

    /** A sheet of takings, and the same again, and again with a row changed. */
    private function entersTakings(): void
    {
        $this->as($this->pick(['301', '201']), 1);
        $again = $this->entered !== [] && $this->chance->getInt(0, 1) === 1;
        $rows = $again ? $this->entered : array_map(fn (int $n): array => [
            'item' => $this->pick(['LH-1140', 'LH-1141', 'OW-1', '']), 'department' => 'goods',
            'quantity' => (string) $this->chance->getInt(1, 3), 'price' => $this->pick(['4.24', '10', '39.95']),
            'tax' => $this->pick(['with', 'without']), 'tender' => $this->pick(['cash', 'cash', 'transfer']),
            'number' => 'T-'.Str::random(6), 'who' => $this->pick(['Ida', 'Maren', '']),
        ], range(1, $this->chance->getInt(1, 4)));
        $again && $this->chance->getInt(0, 1) === 1 && ($rows[0]['price'] = '77.00');
        $checked = $this->post('/takings/check', ['day' => 'yesterday', 'by_day' => '0', 'rows' => $rows]);
        $this->went($checked);
        preg_match('/name="csv" value="([0-9a-f]{64})"/', (string) $checked->getContent(), $found);
        $before = DB::table('takings_rows')->count();

        foreach ($found === [] ? [] : [1, 2] as $ignored) {
            $this->went($this->post('/takings', [
                'csv' => $found[1], 'day' => 'yesterday', 'by_day' => $this->pick(['0', '1']), 'customer' => '',
            ]));
        }

        $after = DB::table('takings_rows')->count();
        $this->assertTrue(! $again || $after === $before, 'Takings were entered twice.');
        $after > $before && ($this->entered = $rows);
    }

    private function changesTerminal(): void
    {
        $this->office('/till/devices', [
            'kind' => $this->pick(['terminal', 'printer', 'drawer']), 'uses' => $this->pick(['1', '2', '3']),
        ]);
    }
}
