@use('Elmstone\Foundation\Show')
<section class="who" id="who" data-part aria-label="Who">
    <h2 class="band-name">Who</h2>
    <p class="who-name h4 fw-bold mb-1">{{ $slip->customer_name ?: 'Walk-in' }}</p>
    <p class="soft small mb-3">{{ $slip->isPosted() ? 'posted' : 'pays now' }} · list prices · {{ $slip->location->taxProfile->name }}</p>
    @if($slip->isBackdated() && ! $slip->isPosted())
        <div class="note look"><p><strong>Dated {{ Show::date($slip->day()) }},</strong> not today.</p></div>
    @endif
</section>
