<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Core\Money\Percentage;
use Elmstone\Customers\PriceLevel;
use Illuminate\Support\Facades\DB;

/** An exemption, a price level or a tax place for one sale: with ability, for a reason, and never further. */
final class OwnTermsTest extends FeatureCase
{
    use Returning;

    /** @param  array<string, mixed>  $terms */
    private function terms(array $terms): void
    {
        $this->does('terms', ['own_reason' => 'Site is in the other county', ...$terms])->assertOk();
    }

    public function test_a_supervisor_exempts_one_sale_by_a_certificate_and_the_document_says_why(): void
    {
        $this->as('201')->add('LH-1140');
        $this->does('terms', ['own_certificate' => 'EX-77', 'own_reason' => ''])
            ->assertStatus(422)
            ->assertSee('Say why this sale differs');
        $this->terms(['own_certificate' => 'EX-77']);
        $this->assertSame('3.85', $this->slip()->total->toString());
        $this->does('cash', ['cash' => '3.85'])->assertOk();
        $this->does('post')->assertOk();
        $document = $this->document();
        $this->assertSame('0.00', $document->tax_total->toString());
        $this->assertStringContainsString('EX-77', (string) $document->exemption);
        $this->assertStringContainsString('Site is in the other county', $document->own_terms);
        $this->get("/documents/{$document->label}")->assertSee('For this sale only');
        $this->assertProves();
    }

    public function test_a_price_level_for_one_sale_prices_again_and_goes_with_it(): void
    {
        $level = PriceLevel::query()->create(['name' => 'Builder', 'percent_off' => Percentage::of('10')]);
        $this->as('201')->add('LH-1140', 'LH-1141');
        $this->does("lines/{$this->lineId(1)}", ['price' => '4.30'])->assertOk();
        $this->terms(['own_level' => $level->id]);
        $prices = fn (): array => $this->slip()->lines->map(
            static fn ($line): string => $line->unit_price->toString(),
        )->all();
        $this->assertSame(['3.47', '4.3'], $prices(), 'What was typed by hand stays.');
        $this->add('PI-2800');
        $this->assertSame(['3.47', '4.3', '14.63'], $prices());
        $this->terms([]);
        $this->assertSame(['3.85', '4.3', '16.25'], $prices());
        $this->terms(['own_level' => $level->id]);
        $this->does('customer', ['customer' => $this->customer()->id])->assertOk();
        $this->assertFalse($this->slip()->own_terms, 'It was for who was on it.');
        $this->assertSame('3.85', $prices()[0]);
    }

    public function test_a_sale_is_taxed_as_at_another_place(): void
    {
        $other = DB::table('tax_profiles')->where('name', 'PB taxes')->value('id');
        DB::table('tax_components')->where('tax_profile_id', $other)->update(['rate' => '4', 'name' => 'Bridge tax']);
        $this->as('201')->add('PI-2800');
        $this->assertSame('17.88', $this->slip()->total->toString());
        $this->terms(['own_place' => $other]);
        $this->assertSame('16.90', $this->slip()->total->toString());
        $this->does('cash', ['cash' => '16.90'])->assertOk()->assertSee('Bridge tax');
        $this->does('post')->assertOk();
        $this->assertSame(['Bridge tax'], $this->document()->taxes->pluck('name')->all());
        $sold = $this->document();
        $this->back($sold, [1 => '1'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame('16.90', $this->creditNote()->total->abs()->toString(), 'It comes back as it was taxed.');
        $this->assertProves();
    }

    public function test_a_clerk_has_it_allowed_and_the_approval_does_not_stretch(): void
    {
        $this->add('LH-1140');
        $this->terms(['own_certificate' => 'EX-77']);
        $this->does('cash', ['cash' => '3.85'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('a supervisor or the office can allow it');
        $this->approve('terms')->assertOk();
        $this->terms(['own_certificate' => 'EX-78']);
        $this->does('post')->assertStatus(422);
        $this->terms(['own_certificate' => 'EX-77', 'own_reason' => 'Something else']);
        $this->does('post')->assertStatus(422);
        $this->terms(['own_certificate' => 'EX-77']);
        $this->add('MA-0031')->does('cash', ['cash' => '100'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('no longer covers');
        $this->approve('terms')->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(
            ['sale_terms'],
            DB::table('approvals')->distinct()->pluck('what')->all(),
        );
        $this->assertProves();
    }

    public function test_who_picks_it_up_answers_for_it(): void
    {
        $this->as('201')->add('LH-1140');
        $this->terms(['own_certificate' => 'EX-77']);
        $this->does('cash', ['cash' => '3.85'])->assertOk();
        $this->as('101')->does('post')->assertStatus(422)->assertSee('a supervisor or the office can allow it');
        $this->as('201')->does('post')->assertOk();
    }

    public function test_levels_and_places_that_are_not_there_are_refused(): void
    {
        $this->as('201')->add('LH-1140');
        $this->does('terms', ['own_level' => 999, 'own_reason' => 'why not'])->assertStatus(422);
        $this->does('terms', ['own_place' => 999, 'own_reason' => 'why not'])->assertStatus(422);
        $this->get("/counter/{$this->slip}/look/terms")->assertOk()->assertSee('PB taxes');
    }
}
