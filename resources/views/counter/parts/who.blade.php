@use('Elmstone\Foundation\Show')
<section class="who" id="who" data-part aria-label="Who">
    <h2 class="band-name">Who</h2>
    <p class="who-name h4 fw-bold mb-1">{{ $slip->customer_name ?: 'Walk-in' }}</p>
    <p class="soft small mb-3">{{ $slip->isPosted() ? 'posted' : 'pays now' }} · list prices · {{ $slip->location->taxProfile->name }}</p>
    @if($slip->isBackdated() && ! $slip->isPosted())
        <div class="note look"><p><strong>Dated {{ Show::date($slip->day()) }},</strong> not today.</p></div>
    @endif
    @if($justSold->isNotEmpty())
        <h2 class="band-name mt-4">Just sold at {{ $till->name }}</h2>
        <table class="ruled small">
            @foreach($justSold as $document)
                <tr><td><a class="code" href="{{ route('documents.show', $document) }}">{{ $document->label }}</a></td><td class="soft">{{ $document->posted_at->format('H:i') }}</td><td class="figure">{{ Show::money($document->money($document->total)) }}</td></tr>
            @endforeach
        </table>
    @endif
</section>
