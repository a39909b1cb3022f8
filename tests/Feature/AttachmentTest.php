<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Attachments\CheckedFile;
use Elmstone\Customers\Customer;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;

/** Pictures and papers kept with things: what is taken in, how it is given out, who may; and the line that sums up. */
final class AttachmentTest extends FeatureCase
{
    use Accounts;

    private Customer $customer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->customer();
        $this->as('201');
    }

    private static function picture(int $width = 40, int $height = 30, string $kind = 'png'): string
    {
        $drawn = imagecreatetruecolor(max(1, $width), max(1, $height));
        ob_start();
        $kind === 'png' ? imagepng($drawn) : imagejpeg($drawn);

        return (string) ob_get_clean();
    }

    private static function pdf(): string
    {
        $body = "%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj\n2 0 obj<</Type/Pages/Count 0/Kids[]>>endobj\n";

        return $body."xref\n0 3\ntrailer<</Size 3/Root 1 0 R>>\nstartxref\n".strlen($body)."\n%%EOF\n";
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function attach(string $name, string $bytes, ?string $to = null): TestResponse
    {
        return $this->from('/customers')->post($to ?? "/attached/customer/{$this->customer->id}", [
            'file' => UploadedFile::fake()->createWithContent($name, $bytes),
        ]);
    }

    public function test_a_picture_and_a_paper_are_kept_shown_and_taken_away(): void
    {
        $this->attach('yard.png', self::picture())->assertRedirect("/customers/{$this->customer->number}#attached");
        $this->attach('order form.pdf', self::pdf())->assertSessionHasNoErrors();
        $page = $this->get("/customers/{$this->customer->number}")->assertSee('yard.png')->assertSee('order form.pdf');
        $page->assertSee('Super Slate');
        [$picture, $paper] = DB::table('attachments')->orderBy('id')->pluck('id')->all();
        $shown = $this->get("/attachments/{$picture}")->assertOk()->assertHeader('Content-Type', 'image/png');
        self::assertStringStartsWith('inline', (string) $shown->headers->get('Content-Disposition'));
        self::assertNotFalse(getimagesizefromstring((string) $shown->getContent()));
        $saved = $this->get("/attachments/{$paper}")->assertHeader('Content-Type', 'application/pdf');
        self::assertStringStartsWith('attachment', (string) $saved->headers->get('Content-Disposition'));
        self::assertSame(self::pdf(), $saved->getContent());
        $saved->assertHeader('X-Content-Type-Options', 'nosniff');
        $this->post("/attachments/{$picture}/remove")->assertSessionHas('done');
        $this->get("/attachments/{$picture}")->assertNotFound();
        $row = DB::table('attachments')->where('id', $picture)->first();
        self::assertSame(['', 2], [(string) $row?->bytes, (int) $row?->removed_by]);
    }

    /** @return iterable<string, array{string, string, string}> name, what is in it, what is said */
    public static function refused(): iterable
    {
        $svg = '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>';
        yield 'an SVG with a script' => ['logo.svg', $svg, 'neither a picture'];
        yield 'the same, called a picture' => ['logo.png', $svg, 'neither a picture'];
        yield 'a page' => ['note.html', '<html><body>hello</body></html>', 'neither a picture'];
        yield 'a GIF' => ['a.gif', "GIF89a\x01\x00\x01\x00\x00\x00\x00;", 'neither a picture'];
        yield 'a PDF that is not one' => ['paper.pdf', "%PDF-1.7\n<script>alert(1)</script>", 'not a whole one'];
        yield 'a PDF cut off' => ['paper.pdf', substr(self::pdf(), 0, -20), 'not a whole one'];
        yield 'a PDF that points nowhere' => [
            'paper.pdf',
            (string) preg_replace('/startxref\n\d+/', "startxref\n7", self::pdf()),
            'not a whole one',
        ];
        yield 'half a picture' => ['half.png', substr(self::picture(), 0, 40), 'cannot be read'];
        yield 'nothing' => ['empty.png', '', 'is empty'];
        yield 'a picture of too many points' => [
            'huge.png',
            substr_replace(self::picture(), pack('NN', 40_000, 40_000), 16, 8),
            '40000 × 40000 points',
        ];
        yield 'too large' => ['large.pdf', self::pdf().str_repeat(' ', CheckedFile::MOST), 'more than 8 MB'];
    }

    #[DataProvider('refused')]
    public function test_what_is_no_picture_and_no_paper_is_refused(string $name, string $bytes, string $words): void
    {
        $this->attach($name, $bytes)->assertSessionHasErrors('file');
        self::assertStringContainsString($words, (string) session('errors')?->first('file'));
        self::assertSame(0, $this->rows('attachments'));
    }

    public function test_more_than_can_be_sent_at_once_is_said_and_the_page_is_there_again(): void
    {
        $sent = $this->from("/customers/{$this->customer->number}")
            ->withServerVariables(['CONTENT_LENGTH' => (string) 50_000_000_000])
            ->post("/attached/customer/{$this->customer->id}");
        $sent->assertRedirect("/customers/{$this->customer->number}")->assertSessionHasErrors('file');
    }

    public function test_a_picture_is_drawn_anew_so_that_nothing_hides_in_it(): void
    {
        $this->attach('cat.jpg', self::picture(50, 40, 'jpeg').'<?php evil(); ?>')->assertSessionHasNoErrors();
        $kept = (string) DB::table('attachments')->value('bytes');
        self::assertStringNotContainsString('evil', $kept);
        $this->attach('wide.png', self::picture(4800, 20));
        $size = getimagesizefromstring((string) DB::table('attachments')->orderByDesc('id')->value('bytes'));
        self::assertSame(2400, is_array($size) ? $size[0] : 0);
    }

    public function test_the_same_file_again_is_the_one_there_is_and_names_are_plain(): void
    {
        $this->attach("../../etc/pass\"wd\n.png", self::picture());
        $this->attach('again.png', self::picture());
        self::assertSame(1, $this->rows('attachments'));
        $name = (string) DB::table('attachments')->value('name');
        self::assertDoesNotMatchRegularExpression('/[\/"\n]/', $name);
        $this->get('/attachments/'.DB::table('attachments')->value('id'))->assertOk();
    }

    public function test_reading_them_is_a_right_and_keeping_them_another(): void
    {
        $this->attach('yard.png', self::picture());
        $id = DB::table('attachments')->value('id');
        $this->as('101')->get("/attachments/{$id}")->assertForbidden();
        $this->get("/customers/{$this->customer->number}")->assertOk()->assertDontSee('yard.png');
        $this->attach('mine.png', self::picture(10, 10))->assertForbidden();
        $this->post("/attachments/{$id}/remove")->assertForbidden();
        self::assertSame(1, $this->rows('attachments'));
    }

    public function test_items_orders_and_documents_have_them_too_and_nothing_else(): void
    {
        $document = $this->sell('LH-1140');
        $item = (int) DB::table('items')->where('code', 'LH-1140')->value('id');
        $this->as('201')->attach('a.png', self::picture(), "/attached/document/{$document->id}")
            ->assertRedirect("/documents/{$document->label}#attached");
        $this->get("/documents/{$document->label}")->assertSee('a.png');
        $this->attach('b.png', self::picture(9, 9), "/attached/item/{$item}")
            ->assertRedirect('/items/LH-1140#attached');
        $this->get('/items/LH-1140')->assertSee('b.png');
        $this->attach('c.png', self::picture(8, 8), '/attached/order/99')->assertNotFound();
        $this->attach('c.png', self::picture(8, 8), '/attached/item/99999')->assertNotFound();
        $this->attach('c.png', self::picture(8, 8), '/attached/staff/1')->assertNotFound();
        self::assertSame(2, $this->rows('attachments'));
    }

    public function test_the_line_that_sums_up_stands_at_the_counter(): void
    {
        $say = fn (string $words): TestResponse => $this->from('/customers')
            ->post("/attached/customer/{$this->customer->id}/summary", ['summary' => $words]);
        $say("Wants  the tall\nlorry")->assertRedirect("/customers/{$this->customer->number}");
        $this->as('101')->does('customer', ['customer' => (string) $this->customer->id])
            ->assertSee('Wants the tall lorry');
        $say(str_repeat('x', 256))->assertSessionHasErrors('summary');
        $say('');
        self::assertSame(0, $this->rows('summaries'));
        $this->get("/counter/{$this->slip}")->assertDontSee('tall lorry');
    }

    public function test_they_go_along_when_two_customers_are_made_one(): void
    {
        $this->attach('yard.png', self::picture());
        $this->post("/attached/customer/{$this->customer->id}/summary", ['summary' => 'theirs']);
        $into = $this->account('100.00', 'Twice & Co');
        $this->as('301')->post("/accounts/{$this->customer->number}/merge", [
            'into' => (string) $into->number, 'reason' => 'the same firm', 'key' => (string) Str::uuid(),
        ])->assertSessionHasNoErrors();
        $this->get("/customers/{$into->number}")->assertSee('yard.png')->assertSee('value="theirs"', false);
    }
}
