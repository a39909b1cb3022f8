<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Paper\PaymentSignature;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

/** Who pays much by card or on account signs for exactly that: here, on their side, or on the paper. */
final class PayerSignsTest extends FeatureCase
{
    use Accounts;
    use Returning;

    private const PATH = 'M10 10 L20 20 L30 10';

    protected function setUp(): void
    {
        parent::setUp();
        $this->as('301')->post('/surcharges/signatures', ['sign_over' => '4', 'print_signatures' => '1'])
            ->assertSessionHasNoErrors();
        $this->as('101');
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function sign(string $path = self::PATH, string $by = 'R. Fern'): TestResponse
    {
        return $this->does('signature', ['signature' => $path, 'signed_by' => $by]);
    }

    public function test_what_is_above_the_amount_is_signed_and_kept_with_the_payment(): void
    {
        $this->add('LH-1140');
        $this->does('card')->assertOk()->assertSee('who pays signs for 4.24');
        $this->does('post')->assertStatus(422)->assertSee('Who pays signs for 4.24');
        $this->sign()->assertOk()->assertSee('✓ signed', false);
        $this->does('post')->assertOk();
        $kept = PaymentSignature::query()->sole();
        self::assertSame([$this->document()->id, '4.24', self::PATH, 'R. Fern'], [
            $kept->document_id, $kept->amount->toString(), $kept->signature, $kept->signed_by,
        ]);
        $html = (string) DB::table('printed_papers')->latest('id')->value('html');
        self::assertStringContainsString(self::PATH, $html);
        $this->as('301')->get("/documents/{$this->document()->label}")->assertSee(self::PATH);
        $this->expectException(QueryException::class);
        DB::table('payment_signatures')->update(['signed_by' => 'somebody else']);
    }

    public function test_another_sum_is_signed_for_again(): void
    {
        $customer = $this->account('500.00');
        $this->does('customer', ['customer' => (string) $customer->id])->assertOk();
        $this->add('LH-1140');
        $this->does('charge', ['charge' => '4.24'])->assertOk();
        $this->sign()->assertOk();
        $this->add('LH-1141');
        $this->does('charge', ['charge' => '6'])->assertOk();
        $this->does('post')->assertStatus(422);
        $this->get("/counter/{$this->slip}")->assertSee('who pays signs for 6.00');
        $this->does('charge', ['charge' => '4.24'])->assertOk()->assertSee('✓ signed', false);
    }

    public function test_cash_and_what_is_below_is_not_signed_for(): void
    {
        $this->add('LH-1140');
        $this->does('cash', ['cash' => '50'])->assertOk()->assertDontSee('who pays signs');
        $this->does('post')->assertOk();
        self::assertSame(0, $this->rows('payment_signatures'));
        $this->as('301')->post('/surcharges/signatures', ['sign_over' => ''])->assertSessionHasNoErrors();
        $this->as('101')->sellByCard('LH-1140');
        $this->as('301')->post('/surcharges/signatures', ['sign_over' => 'x'])->assertSessionHasErrors('sign_over');
        $this->as('101')->post('/surcharges/signatures', ['sign_over' => '5'])->assertForbidden();
    }

    public function test_the_paper_is_signed_where_there_is_no_pen(): void
    {
        $this->add('LH-1140');
        $this->does('card')->assertOk();
        $this->does('signature/paper')->assertOk()->assertSee('signs the paper');
        $this->does('post')->assertOk();
        self::assertNull(PaymentSignature::query()->sole()->signature);
        self::assertStringContainsString('______', (string) DB::table('printed_papers')->latest('id')->value('html'));
    }

    public function test_it_is_signed_on_the_display_that_faces_them(): void
    {
        $this->add('LH-1140');
        $this->does('card')->assertOk();
        $this->does('signature/take')->assertStatus(422)->assertSee('Nothing was signed on their side yet');
        $this->does('signature/ask')->assertOk()->assertSee('waiting for their display');
        $this->get("/counter/{$this->slip}/signature/look")->assertExactJson(['signed' => false]);
        $this->get('/devices/display/1')->assertSee('Please sign for')->assertSee('4.24');
        $this->post('/devices/display/1/sign', ['signature' => 'M1 1<script>'])->assertSessionHasErrors('signature');
        $this->post('/devices/display/1/sign', ['signature' => self::PATH])->assertSessionHasNoErrors();
        $this->get("/counter/{$this->slip}/signature/look")->assertExactJson(['signed' => true]);
        $this->does('signature/take', ['signed_by' => 'R. Fern'])->assertOk()->assertSee('✓ signed', false);
        $this->get('/devices/display/1')->assertDontSee('Please sign for');
        $this->does('post')->assertOk();
        self::assertSame(self::PATH, PaymentSignature::query()->sole()->signature);
    }

    public function test_what_is_no_signature_is_refused(): void
    {
        $this->add('LH-1140');
        $this->sign()->assertStatus(422)->assertSee('nothing to sign for');
        $this->does('card')->assertOk();
        $this->sign('M1 1')->assertStatus(422);
        $this->sign('"/><script>')->assertStatus(422);
        $this->sign()->assertOk();
        $this->sign('')->assertOk()->assertSee('who pays signs for');
        $this->does('post')->assertStatus(422);
    }
}
