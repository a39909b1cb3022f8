@extends('setup.frame')
@section('title', 'Open')
@section('step')
<h1>Ready to open</h1>
<p class="soft">Everything can be changed afterwards, under House, Settings. Only the currency and the first numbers
    stay, once something was posted.</p>
@include('design.messages')
<dl class="set-up-sum">@foreach($steps as $key => $step)<div><dt><a
    href="{{ route('setup.step', $key) }}">{{ $step->title() }}</a></dt><dd>@if($step->isReady()){{ $step->summary()
        }}@else<span
        class="complaint">Nothing kept yet</span>@endif</dd></div>@endforeach</dl>
<h2>Then</h2>
<ol><li>Sign in as {{ $owner->number ?? 'the owner' }}@if($practice) at “{{ $practice->name }}”, and sell
        something there: without items yet, <kbd>Alt L</kbd> makes a line of its own. Nothing is posted. @endif</li>
    <li>Bring in items and customers, or add the first by hand, under Goods and Customers.</li>
    <li>Take on the others, under House, People.</li></ol>
<form method="post" action="{{ route('setup.open') }}">@csrf<button class="main-act go">Open the shop</button></form>
@endsection
