<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Layaways\Layaway;
use Elmstone\Layaways\LayawayState;
use Elmstone\Shop\House;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * Layaways and deposits where cash is rounded, where prices have the tax in them, where money has three places. Two of
 * MA-0031.
 */
final class OtherShopsLayawaysTest extends FeatureCase
{
    use Layaways;

    protected function shop(): array
    {
        return match (true) {
            str_contains((string) $this->dataName(), 'cash') => ['cash_step' => Money::of('0.05', Currency::of('USD'))],
            str_contains((string) $this->dataName(), 'tax in') => ['tax_included' => true, 'tax_rounding' => 'line'],
            default => ['currency' => 'TND'],
        };
    }

    /**
     * @return iterable<string, array{string, string, string, string}> total, what is paid, what goes back less the fee,
     *     what is handed over
     */
    public static function shops(): iterable
    {
        yield 'cash to five cents' => ['206.80', '40.03', '30.03', '30.05'];
        yield 'prices with tax in them' => ['188.00', '40.00', '30.00', '30.00'];
        yield 'three places' => ['206.800', '40.125', '39.125', '39.125'];
    }

    #[DataProvider('shops')]
    public function test_paid_cancelled_and_completed_the_books_prove(
        string $total,
        string $paid,
        string $back,
        string $handed,
    ): void {
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
        $cancelled = $this->hold($paid, '2 x MA-0031');
        $this->assertSame($total, $this->money($cancelled->total->minor));
        $sold = $this->hold($paid, '2 x MA-0031');
        $this->payOn($sold, $sold->remaining()->toString(), leaves: true)->assertOk();
        $this->as('201')
            ->post("/layaways/{$cancelled->label}/cancel", [
                'key' => (string) Str::uuid(),
                'version' => $cancelled->version,
                'reason' => 'x',
                'back' => ['cash' => $back],
            ])
            ->assertSessionHasNoErrors();

        $refund = Document::query()->with('tenders')->where('purpose', 'paid_back')->sole();
        $this->assertSame(
            [$back, $handed],
            [$this->money($refund->total->minor), $this->money((int) $refund->tenders->sum('amount.minor'))],
        );
        $this->assertSame(
            [LayawayState::Cancelled, LayawayState::Completed],
            Layaway::query()->orderBy('id')->get()->map(static fn (Layaway $one): LayawayState => $one->state)->all(),
        );
        $this->assertSame(
            $total,
            Document::query()->where('kind', 'invoice')->where('purpose', 'sale')->firstOrFail()->total->toString(),
        );
        $this->assertProves();
    }

    #[DataProvider('shops')]
    public function test_a_deposit_taken_used_and_paid_back(
        string $total,
        string $paid,
        string $back,
        string $handed,
    ): void {
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $this->customer->id])->assertOk();
        $this->does('deposit', ['deposit_in' => $paid])->assertOk();
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();
        $this->as('201')
            ->post("/deposits/{$this->customer->number}/pay-back", [
                'key' => (string) Str::uuid(),
                'amount' => $back,
                'way' => 'cash',
                'reason' => 'x',
            ])
            ->assertSessionHasNoErrors();

        $this->assertSame(
            $handed,
            $this->money((int) Document::query()->where('purpose', 'paid_back')->sole()->tenders->sum('amount.minor')),
        );
        $this->assertProves();
    }

    private function money(int $minor): string
    {
        return app(House::class)->money($minor)->toString();
    }
}
