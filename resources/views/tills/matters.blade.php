{{-- What is still open at the till, pointed out before it is closed. --}}
@if(count($matters) > 0)
<div class="note look"><p class="mb-1"><strong>Still open here:</strong></p>
    <ul class="mb-0">@foreach($matters as $one)<li><a href="{{ $one->address }}">{{ $one->words }}</a></li>@endforeach
    </ul></div>
@endif
