@use('Elmstone\Devices\PlaysTerminal')
@use('Elmstone\PayLinks\LinkPayment')
@use('Elmstone\Support\Show')
<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex"><title>Pay {{ $shop->name }}</title>
<link rel="icon" href="/favicon.svg" type="image/svg+xml">@vite(['resources/css/app.scss'])</head>
<body class="pay">
<main class="pay-page">
    <p class="shop">{{ $shop->name }}</p>
    <h1>{{ $now->words }}</h1>
    <p class="soft">for {{ $now->customer->name }}</p>
    @php($isOpen = $last?->state === LinkPayment::OPEN)
    @if($last?->state === LinkPayment::PAID)
        <div class="note paid"><p><strong>✓ Paid {{ Show::money($last->amount) }}
            {{ $house->currency()->code }}</strong> on {{ Show::moment($last->paid_at) }}, receipt
            {{ $last->document?->label }}. Thank you.</p></div>
    @elseif($last?->state === LinkPayment::FAILED && session('tried') === $last->id)
        <div class="note stop" role="alert"><p><strong>Nothing was paid.</strong> {{ $last->reason }}</p></div>
    @endif
    @if($isOpen)
        <div class="note look"><p><strong>We do not know yet whether your card has paid.</strong> Do not pay again. Look
            again in a minute; or call us, we will see it.</p></div>
        <a class="main-act" href="{{ route('pay', $code) }}">Look again</a>
    @elseif(! $now->left->isPositive())
        @unless($last?->state === LinkPayment::PAID)<div class="note paid"><p><strong>✓ There is nothing left to
            pay.</strong></p></div>@endunless
    @elseif($link->hasRunOut())
        <div class="note look"><p>This link held until {{ Show::date($link->until) }}. Ask us for another.</p></div>
    @else
        <form method="post" action="{{ route('pay.pay', $code) }}" autocomplete="off">@csrf
            <p class="due"><span>To pay</span> <b class="sum-due">{{ $now->left }}</b>
                <span>{{ $house->currency()->code }}</span></p>
            @if($mayLess)<label for="amount">You can pay less now</label><input
                class="form-control amount @error('amount') is-refused @enderror" id="amount" name="amount"
                inputmode="decimal" placeholder="{{ $now->left }}" value="{{ old('amount') }}">@endif
            @include('design.complaint', ['field' => 'amount'])
            @if($plays)<details class="fold small"><summary>Played here: what the card says</summary><select
                class="form-select" name="plays" aria-label="What the card says"><option value="">as it is</option>
                @foreach(PlaysTerminal::moods() as $mood => $label)<option value="{{ $mood }}">{{ $label }}</option>
                @endforeach</select></details>@endif
            <button class="main-act"><span>Pay by card</span></button>
            <p class="small soft mb-0">This link holds until {{ Show::date($link->until) }}. Your card’s number is asked
                by the card company, never by us.</p>
        </form>
    @endif
    <footer class="small soft">{{ $shop->name }}@if($shop->tax_number !== ''), {{ $shop->tax_number }}@endif</footer>
</main>
</body>
</html>
